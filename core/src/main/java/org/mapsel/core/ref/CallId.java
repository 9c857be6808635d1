package org.mapsel.core.ref;

/** Points at a call of one page. */
public record CallId(String text) implements Comparable<CallId> {

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
