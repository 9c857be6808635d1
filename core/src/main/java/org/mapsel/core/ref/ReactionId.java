package org.mapsel.core.ref;

/** Points at a reaction of one page. */
public record ReactionId(String text) implements Comparable<ReactionId> {

  public ReactionId {
    if (text.isBlank()) {
      throw new IllegalArgumentException("A ReactionId needs a text.");
    }
  }

  @Override
  public int compareTo(ReactionId other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
