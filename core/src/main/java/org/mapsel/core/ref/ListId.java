package org.mapsel.core.ref;

/** Points at a value list of a model. */
public record ListId(String text) implements Comparable<ListId> {

  public ListId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A ListId needs a text.");
    }
  }

  @Override
  public int compareTo(ListId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
