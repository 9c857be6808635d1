package org.mapsel.core.pairing;

import java.util.Map;
import java.util.Set;

/**
 * What samples have for two fields. A text that stands in many fields, as zero does, is the same by
 * chance.
 */
final class ValueHint implements Hint {

  /** From so many equal values on, chance is out of the question. */
  private static final int ENOUGH = 3;

  /** A text in more fields than these, of both sides, tells nothing. */
  private static final int MOST_FIELDS = 3;

  private static final int SHORT = 3;

  private final Map<String, Integer> counts;

  /**
   * @param counts in how many fields of both sides each text stands
   */
  ValueHint(Map<String, Integer> counts) {
    this.counts = counts;
  }

  @Override
  public Evidence of(Described left, Described right) {
    Set<String> first = left.seen().values();
    Set<String> second = right.seen().values();
    if (first.isEmpty() || second.isEmpty()) {
      return Evidence.NONE;
    }
    Set<String> small = first.size() <= second.size() ? first : second;
    Set<String> large = small == first ? second : first;
    long same = small.stream().filter(large::contains).count();
    long telling = small.stream().filter(text -> large.contains(text) && isTelling(text)).count();
    double share = (double) same / small.size();
    if (share >= 0.5 && telling > 0) {
      double weight = Math.min(1, (double) telling / ENOUGH);
      return new Evidence(
          weight * (1.5 + 4 * share), same + " of " + small.size() + " sample values equal");
    }
    if (small.size() < ENOUGH) {
      return Evidence.NONE;
    }
    return left.seen().forms().equals(right.seen().forms())
        ? new Evidence(1, "sample values of one form")
        : new Evidence(-0.8, "");
  }

  private boolean isTelling(String text) {
    return text.length() > SHORT && counts.getOrDefault(text, 0) <= MOST_FIELDS;
  }
}
