package org.mapsel.core.ref;

/** Points at a part of one page, or a field of a part. */
public record PartId(String text) implements Comparable<PartId> {

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
