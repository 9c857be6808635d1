package org.mapsel.core.ref;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** Points at an operation of one service. */
public record OperationId(@JsonValue String text) implements Comparable<OperationId> {

  @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
  public OperationId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A OperationId needs a text.");
    }
  }

  @Override
  public int compareTo(OperationId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
