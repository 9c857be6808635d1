package org.mapsel.core.pairing;

import java.util.List;

/**
 * Whether the same groups stand around two fields, in the same order: it decides between equals.
 */
final class WayHint implements Hint {

  private static final double FULL = 2.0;
  private static final double USUAL = 0.5;

  private final Likeness likeness;

  WayHint(Likeness likeness) {
    this.likeness = likeness;
  }

  @Override
  public Evidence of(Described left, Described right) {
    List<String> one = left.all();
    List<String> other = right.all();
    double[] before = new double[other.size() + 1];
    for (String word : one) {
      double[] row = new double[other.size() + 1];
      for (int i = 0; i < other.size(); i++) {
        double alike = likeness.words(word, other.get(i));
        row[i + 1] = Math.max(Math.max(row[i], before[i + 1]), before[i] + alike);
      }
      before = row;
    }
    double share = 2 * before[other.size()] / (one.size() + other.size());
    return new Evidence(FULL * (share - USUAL), share > 0.9 ? "same way to it" : "");
  }
}
