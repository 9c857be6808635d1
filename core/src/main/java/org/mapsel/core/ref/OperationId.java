package org.mapsel.core.ref;

/** Points at an operation of one service. */
public record OperationId(String text) implements Comparable<OperationId> {

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
