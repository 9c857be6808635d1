package org.mapsel.core.pairing;

import java.util.List;

/** The names of two fields and of the groups around them. */
final class NameHint implements Hint {

  private static final double STEEP = 10;
  private static final double MIDDLE = 0.5;
  private static final double OWN = 0.65;

  /** A name such as {@code name} says little without what stands around it. */
  private static final double VAGUE = 0.4;

  private static final double LABELLED = 0.97;

  private final Likeness likeness;

  NameHint(Likeness likeness) {
    this.likeness = likeness;
  }

  @Override
  public Evidence of(Described left, Described right) {
    double own = likeness.names(left.own(), right.own());
    double flat =
        Math.min(
            likeness.covered(left.own(), right.all()), likeness.covered(right.own(), left.all()));
    double ways = likeness.ways(left, right);
    double weight = likeness.isVague(left.own()) && likeness.isVague(right.own()) ? VAGUE : OWN;
    double best = weight * Math.max(own, flat) + (1 - weight) * ways;
    double labels = labels(left, right);
    double alike = Math.max(best, labels * LABELLED);
    return new Evidence(
        Math.clamp(STEEP * (alike - MIDDLE), -3.2, 5), words(left, right, own, flat, labels, best));
  }

  private double labels(Described left, Described right) {
    if (left.said().isEmpty() && right.said().isEmpty()) {
      return 0;
    }
    List<String> one = left.said().isEmpty() ? left.own() : left.said();
    List<String> other = right.said().isEmpty() ? right.own() : right.said();
    return likeness.names(one, other);
  }

  private static String words(
      Described left, Described right, double own, double flat, double labels, double best) {
    if (left.field().name().equals(right.field().name())) {
      return "same name";
    }
    if (labels > best) {
      return "labels say the same";
    }
    if (own >= 0.99) {
      return "same words in the name";
    }
    if (own >= 0.8) {
      return "names mean the same";
    }
    return flat >= 0.8 ? "same words on the way to it" : own >= 0.4 ? "names are alike" : "";
  }
}
