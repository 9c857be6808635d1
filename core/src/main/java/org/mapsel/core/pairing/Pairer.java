package org.mapsel.core.pairing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;

/** Pairs the fields of two sides. */
public final class Pairer {

  private static final double PRIOR = -1.2;

  /** What pairs nearby can add. */
  private static final double GROUP = 2.0;

  private static final double GROUP_USUAL = 0.35;
  private static final double NEIGHBOUR = 0.5;

  private static final double SURE = 0.93;
  private static final double LIKELY = 0.5;
  private static final double GUESS = 0.15;

  /** What is less likely than this is no candidate either. */
  private static final double NEXT = 0.02;

  private static final int MOST_NEXT = 4;

  /** What a pair is worth counts from here: one that is just a guess is worth a little. */
  private static final double LEAST = Math.log(GUESS / (1 - GUESS)) - 0.5;

  /** By how much a pair must be better than any other of its fields. */
  private static final double SURE_MARGIN = 1;

  private static final double LIKELY_MARGIN = 0 - 1;

  private final Lexicon lexicon;
  private final Set<Map.Entry<FieldPath, FieldPath>> refused;
  private final Set<String> leftOut;

  public Pairer(Lexicon lexicon) {
    this(lexicon, Set.of());
  }

  /**
   * @param refused pairs that somebody took out, left and right
   */
  public Pairer(Lexicon lexicon, Set<Map.Entry<FieldPath, FieldPath>> refused) {
    this(lexicon, refused, Set.of());
  }

  private Pairer(
      Lexicon lexicon, Set<Map.Entry<FieldPath, FieldPath>> refused, Set<String> leftOut) {
    this.lexicon = lexicon;
    this.refused = Set.copyOf(refused);
    this.leftOut = leftOut;
  }

  /** The same deaf to one hint, to measure what that one is worth. */
  public Pairer without(String hint) {
    return new Pairer(lexicon, refused, Set.of(hint));
  }

  /** What can be left out: the names of the hints. */
  public static List<String> hintNames() {
    return hints(new Likeness(Lexicon.shipped(), Map.of()), Map.of()).stream()
        .map(Hint::name)
        .toList();
  }

  /** What one field could be paired with, and why. */
  private record Scored(double logOdds, List<Hint.Evidence> evidence) {}

  public Pairing pair(List<PairingField> left, List<PairingField> right) {
    Sides sides = new Sides(left, right, lexicon);
    List<Map<Integer, Scored>> scored = scored(sides);
    List<Map<Integer, Double>> spread = spread(sides, scored);
    List<Map<Integer, Double>> worth = new ArrayList<>();
    for (Map<Integer, Double> one : spread) {
      Map<Integer, Double> some = new LinkedHashMap<>();
      one.forEach(
          (other, logOdds) -> {
            if (score(logOdds) >= GUESS) {
              some.put(other, logOdds - LEAST);
            }
          });
      worth.add(some);
    }
    return pairing(sides, scored, spread, Assignment.of(worth, right.size()));
  }

  private static double score(double logOdds) {
    return 1 / (1 + Math.exp(-logOdds));
  }

  private List<Map<Integer, Scored>> scored(Sides sides) {
    List<Hint> hints =
        hints(new Likeness(lexicon, sides.wordWeights()), sides.seenTexts()).stream()
            .filter(hint -> !leftOut.contains(hint.name()))
            .toList();
    List<int[]> candidates = Candidates.of(sides, lexicon);
    List<Map<Integer, Scored>> all = new ArrayList<>();
    for (Described left : sides.left()) {
      Map<Integer, Scored> found = new LinkedHashMap<>();
      for (int index : candidates.get(left.index())) {
        Described right = sides.right().get(index);
        if (!refused.contains(Map.entry(left.field().path(), right.field().path()))) {
          found.put(index, scored(hints, left, right));
        }
      }
      all.add(found);
    }
    return all;
  }

  static List<Hint> hints(Likeness likeness, Map<String, Integer> seen) {
    return List.of(
        new NameHint(likeness),
        new WayHint(likeness),
        new TypeHint(),
        new ShapeHint(),
        new DocumentationHint(),
        new ValueHint(seen),
        new PlaceHint());
  }

  private static Scored scored(List<Hint> hints, Described left, Described right) {
    List<Hint.Evidence> evidence = new ArrayList<>();
    double sum = PRIOR;
    for (Hint hint : hints) {
      Hint.Evidence one = hint.of(left, right);
      sum += one.logOdds();
      evidence.add(one);
    }
    return new Scored(sum, evidence);
  }

  /** Raises what stands in groups that belong to each other, and beside what pairs. */
  private static List<Map<Integer, Double>> spread(Sides sides, List<Map<Integer, Scored>> scored) {
    int[] best = new int[scored.size()];
    for (int i = 0; i < best.length; i++) {
      best[i] =
          scored.get(i).entrySet().stream()
              .filter(one -> one.getValue().logOdds() > 0)
              .max(Comparator.comparingDouble(one -> one.getValue().logOdds()))
              .map(Map.Entry::getKey)
              .orElse(-1);
    }
    Map<List<String>, Map<List<String>, Integer>> groups = new HashMap<>();
    Map<List<String>, Integer> sizes = new HashMap<>();
    for (int i = 0; i < best.length; i++) {
      List<String> around = sides.left().get(i).field().around();
      if (best[i] >= 0) {
        sizes.merge(around, 1, Integer::sum);
        groups
            .computeIfAbsent(around, none -> new HashMap<>())
            .merge(sides.right().get(best[i]).field().around(), 1, Integer::sum);
      }
    }
    List<Map<Integer, Double>> spread = new ArrayList<>();
    for (int i = 0; i < best.length; i++) {
      List<String> around = sides.left().get(i).field().around();
      Map<List<String>, Integer> others = groups.getOrDefault(around, Map.of());
      int size = sizes.getOrDefault(around, 0);
      Map<Integer, Double> raised = new LinkedHashMap<>();
      for (Map.Entry<Integer, Scored> one : scored.get(i).entrySet()) {
        int index = one.getKey();
        double sum = one.getValue().logOdds();
        if (size > 1) {
          List<String> other = sides.right().get(index).field().around();
          sum += GROUP * ((double) others.getOrDefault(other, 0) / size - GROUP_USUAL);
        }
        sum += i > 0 && best[i - 1] >= 0 && best[i - 1] == index - 1 ? NEIGHBOUR : 0;
        sum += i + 1 < best.length && best[i + 1] >= 0 && best[i + 1] == index + 1 ? NEIGHBOUR : 0;
        raised.put(index, sum);
      }
      spread.add(raised);
    }
    return spread;
  }

  private static Pairing pairing(
      Sides sides,
      List<Map<Integer, Scored>> scored,
      List<Map<Integer, Double>> spread,
      int[] chosen) {
    double[] rivals = rivals(spread, chosen, sides.right().size());
    List<Pairing.Pair> pairs = new ArrayList<>();
    List<PairingField> leftOnly = new ArrayList<>();
    List<Pairing.Pair> next = new ArrayList<>();
    Set<Integer> taken = new HashSet<>();
    for (int i = 0; i < chosen.length; i++) {
      PairingField left = sides.left().get(i).field();
      if (chosen[i] < 0) {
        leftOnly.add(left);
        next.addAll(next(sides, left, scored.get(i), spread.get(i)));
        continue;
      }
      taken.add(chosen[i]);
      double logOdds = spread.get(i).get(chosen[i]);
      double score = score(logOdds);
      pairs.add(
          new Pairing.Pair(
              left,
              sides.right().get(chosen[i]).field(),
              score,
              grade(score, logOdds - rivals[i]),
              reasons(scored.get(i).get(chosen[i]).evidence())));
    }
    List<PairingField> rightOnly = new ArrayList<>();
    for (Described right : sides.right()) {
      if (!taken.contains(right.index())) {
        rightOnly.add(right.field());
      }
    }
    return new Pairing(pairs, leftOnly, rightOnly, next);
  }

  private static List<Pairing.Pair> next(
      Sides sides, PairingField left, Map<Integer, Scored> scored, Map<Integer, Double> spread) {
    return spread.entrySet().stream()
        .filter(one -> score(one.getValue()) >= NEXT)
        .sorted(Map.Entry.<Integer, Double>comparingByValue().reversed())
        .limit(MOST_NEXT)
        .map(
            one ->
                new Pairing.Pair(
                    left,
                    sides.right().get(one.getKey()).field(),
                    score(one.getValue()),
                    Grade.GUESS,
                    reasons(scored.get(one.getKey()).evidence())))
        .toList();
  }

  /** The best other choice that either field of each chosen pair would have had. */
  private static double[] rivals(List<Map<Integer, Double>> spread, int[] chosen, int rights) {
    double[] first = new double[rights];
    double[] second = new double[rights];
    Arrays.fill(first, Double.NEGATIVE_INFINITY);
    Arrays.fill(second, Double.NEGATIVE_INFINITY);
    for (Map<Integer, Double> one : spread) {
      one.forEach(
          (index, logOdds) -> {
            if (logOdds > first[index]) {
              second[index] = first[index];
              first[index] = logOdds;
            } else if (logOdds > second[index]) {
              second[index] = logOdds;
            }
          });
    }
    double[] rivals = new double[chosen.length];
    for (int i = 0; i < chosen.length; i++) {
      if (chosen[i] < 0) {
        continue;
      }
      double own = spread.get(i).get(chosen[i]);
      double rival = own >= first[chosen[i]] ? second[chosen[i]] : first[chosen[i]];
      for (Map.Entry<Integer, Double> one : spread.get(i).entrySet()) {
        if (one.getKey() != chosen[i]) {
          rival = Math.max(rival, one.getValue());
        }
      }
      rivals[i] = rival;
    }
    return rivals;
  }

  private static Grade grade(double score, double margin) {
    if (score >= SURE && margin >= SURE_MARGIN) {
      return Grade.SURE;
    }
    return score >= LIKELY && margin >= LIKELY_MARGIN ? Grade.LIKELY : Grade.GUESS;
  }

  private static List<String> reasons(List<Hint.Evidence> evidence) {
    return evidence.stream()
        .filter(one -> one.logOdds() > 0 && !one.reason().isEmpty())
        .sorted(Comparator.comparingDouble(Hint.Evidence::logOdds).reversed())
        .map(Hint.Evidence::reason)
        .distinct()
        .toList();
  }
}
