package org.mapsel.core.ref;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** Points at a call of one page. */
public record CallId(@JsonValue String text) implements Comparable<CallId> {

  @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
  public CallId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A CallId needs a text.");
    }
  }

  @Override
  public int compareTo(CallId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
