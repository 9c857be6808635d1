package org.mapsel.core.ref;

/** Points at a record type of a model. */
public record TypeId(String text) implements Comparable<TypeId> {

  public TypeId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A TypeId needs a text.");
    }
  }

  @Override
  public int compareTo(TypeId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
