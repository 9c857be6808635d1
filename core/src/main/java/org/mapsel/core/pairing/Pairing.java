package org.mapsel.core.pairing;

import java.util.List;

/**
 * Which fields of two sides belong to each other.
 *
 * @param pairs in the order of the left side
 * @param leftOnly fields of the left side that have no other, each in its order
 * @param next what each of these could be paired with all the same, the best first
 */
public record Pairing(
    List<Pair> pairs, List<PairingField> leftOnly, List<PairingField> rightOnly, List<Pair> next) {

  /**
   * Two fields.
   *
   * @param score between 0 and 1
   * @param reasons in words, the weightiest first
   */
  public record Pair(
      PairingField left, PairingField right, double score, Grade grade, List<String> reasons) {
    public Pair {
      reasons = List.copyOf(reasons);
    }

    /** Why a pair that is likely was made, to be looked at; empty for a sure one. */
    public String likely() {
      return grade == Grade.SURE ? "" : reasons.isEmpty() ? "place" : String.join(", ", reasons);
    }
  }

  public Pairing {
    pairs = List.copyOf(pairs);
    leftOnly = List.copyOf(leftOnly);
    rightOnly = List.copyOf(rightOnly);
    next = List.copyOf(next);
  }
}
