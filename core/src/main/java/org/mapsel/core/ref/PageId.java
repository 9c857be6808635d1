package org.mapsel.core.ref;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** Points at a page of one app. */
public record PageId(@JsonValue String text) implements Comparable<PageId> {

  @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
  public PageId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A PageId needs a text.");
    }
  }

  @Override
  public int compareTo(PageId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
