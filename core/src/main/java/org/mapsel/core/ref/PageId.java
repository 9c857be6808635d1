package org.mapsel.core.ref;

/** Points at a page of one app. */
public record PageId(String text) implements Comparable<PageId> {

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
