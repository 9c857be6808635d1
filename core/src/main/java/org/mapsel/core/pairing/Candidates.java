package org.mapsel.core.pairing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/** Which fields are compared at all: all of them, or on large sides those that share something. */
final class Candidates {

  /** As many pairs as can be looked at without choosing. */
  private static final int ALL = 10_000;

  private static final int EACH = 28;
  private static final int LETTERS = 3;

  /** A word in more fields than these leads to none of them. */
  private static final int COMMON = 400;

  private Candidates() {}

  /** For each field of the left side the numbers of those of the right side. */
  static List<int[]> of(Sides sides, Lexicon lexicon) {
    List<Described> left = sides.left();
    List<Described> right = sides.right();
    if ((long) left.size() * right.size() <= ALL) {
      int[] all = IntStream.range(0, right.size()).toArray();
      return left.stream().map(field -> all).toList();
    }
    Map<String, List<Integer>> index = new HashMap<>();
    for (Described field : right) {
      for (String feature : features(field, lexicon)) {
        index.computeIfAbsent(feature, none -> new ArrayList<>()).add(field.index());
      }
    }
    return left.stream().map(field -> best(field, index, lexicon)).toList();
  }

  private static int[] best(Described field, Map<String, List<Integer>> index, Lexicon lexicon) {
    Map<Integer, Double> scores = new HashMap<>();
    for (String feature : features(field, lexicon)) {
      List<Integer> found = index.getOrDefault(feature, List.of());
      if (found.size() <= COMMON || feature.startsWith("=")) {
        double weight = 1.0 / Math.log(2 + found.size());
        found.stream().limit(COMMON).forEach(one -> scores.merge(one, weight, Double::sum));
      }
    }
    return scores.entrySet().stream()
        .sorted(
            Map.Entry.<Integer, Double>comparingByValue()
                .reversed()
                .thenComparing(Map.Entry.comparingByKey()))
        .limit(EACH)
        .mapToInt(Map.Entry::getKey)
        .toArray();
  }

  private static Set<String> features(Described field, Lexicon lexicon) {
    Set<String> features = new HashSet<>();
    features.add("=" + String.join(" ", field.own()));
    features.add("/" + String.join(" ", field.all()));
    field.own().forEach(word -> features.addAll(lexicon.concepts(word)));
    field.around().forEach(word -> features.add("^" + word));
    field.said().forEach(word -> features.addAll(lexicon.concepts(word)));
    String letters = String.join("", field.own());
    for (int i = 0; i + LETTERS <= letters.length(); i++) {
      features.add("~" + letters.substring(i, i + LETTERS));
    }
    return features;
  }
}
