package org.mapsel.core.pairing;

import java.util.List;

/**
 * Which fields of two sides belong to each other.
 *
 * @param pairs in the order of the left side
 * @param leftOnly fields of the left side that have no other, each in its order
 */
public record Pairing(List<Pair> pairs, List<PairingField> leftOnly, List<PairingField> rightOnly) {

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
  }

  public Pairing {
    pairs = List.copyOf(pairs);
    leftOnly = List.copyOf(leftOnly);
    rightOnly = List.copyOf(rightOnly);
  }
}
