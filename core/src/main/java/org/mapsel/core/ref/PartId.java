package org.mapsel.core.ref;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** Points at a part of one page, or a field of a part. */
public record PartId(@JsonValue String text) implements Comparable<PartId> {

  @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
  public PartId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A PartId needs a text.");
    }
  }

  @Override
  public int compareTo(PartId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
