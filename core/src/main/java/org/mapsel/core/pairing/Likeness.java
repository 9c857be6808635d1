package org.mapsel.core.pairing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;

/** How alike words and names are, between 0 and 1. */
final class Likeness {

  private static final JaroWinklerSimilarity SPELLING = new JaroWinklerSimilarity();
  private static final double SYNONYM = 0.92;
  private static final double SHORTENED = 0.85;
  private static final double ALIKE = 0.9;

  /** Words that say little about a field, wherever they stand. */
  static final Set<String> VAGUE =
      Set.of(
          "value",
          "data",
          "information",
          "field",
          "the",
          "of",
          "a",
          "an",
          "is",
          "has",
          "text",
          "type",
          "code",
          "number",
          "identifier",
          "name",
          "description",
          "in",
          "on",
          "for",
          "and");

  private static final double VAGUE_WEIGHT = 0.6;
  private static final double OUTER = 0.5;

  private final Lexicon lexicon;

  /** How telling a word is: rare ones tell more. */
  private final Map<String, Double> weights;

  private final Map<String, Map<String, Double>> known = new HashMap<>();

  Likeness(Lexicon lexicon, Map<String, Double> weights) {
    this.lexicon = lexicon;
    this.weights = new HashMap<>(weights);
    VAGUE.forEach(word -> this.weights.merge(word, VAGUE_WEIGHT, (one, other) -> one * other));
  }

  boolean isVague(List<String> words) {
    return VAGUE.containsAll(words);
  }

  double weight(String word) {
    return weights.getOrDefault(word, 1.0);
  }

  double words(String one, String other) {
    return one.equals(other) ? 1 : words(one, other, others(one));
  }

  private Map<String, Double> others(String word) {
    return known.computeIfAbsent(word, none -> new HashMap<>());
  }

  private double words(String one, String other, Map<String, Double> others) {
    Double before = others.get(other);
    if (before != null) {
      return before;
    }
    double likeness = worked(one, other);
    others.put(other, likeness);
    return likeness;
  }

  private double worked(String one, String other) {
    if (lexicon.meanTheSame(one, other)) {
      return SYNONYM;
    }
    String small = one.length() < other.length() ? one : other;
    String large = small.equals(one) ? other : one;
    if (isNumber(one) || isNumber(other)) {
      return 0;
    }
    if (isShortened(small, large)) {
      return SHORTENED;
    }
    if (small.length() < 3) {
      return 0;
    }
    double spelling = SPELLING.apply(one, other);
    return spelling >= ALIKE && small.length() >= 4 ? spelling * SHORTENED : 0;
  }

  private static boolean isNumber(String word) {
    return Character.isDigit(word.charAt(0));
  }

  /** {@code vess} and {@code vssl} for {@code vessel}: its beginning, or its letters in order. */
  private static boolean isShortened(String small, String large) {
    if (small.length() < 2 || small.charAt(0) != large.charAt(0)) {
      return false;
    }
    if (small.length() >= 3 && large.startsWith(small)) {
      return true;
    }
    boolean much = small.length() >= 3 && small.length() * 10 >= large.length() * 4;
    return much && isSubsequence(small, large) && consonants(small) >= small.length() - 1;
  }

  private static long consonants(String word) {
    return word.chars().filter(letter -> "aeiou".indexOf(letter) < 0).count();
  }

  private static boolean isSubsequence(String small, String large) {
    int at = 0;
    for (int i = 0; i < large.length() && at < small.length(); i++) {
      if (large.charAt(i) == small.charAt(at)) {
        at++;
      }
    }
    return at == small.length();
  }

  /** How much of the words of one is found in another. */
  double covered(List<String> words, List<String> in) {
    double sum = 0;
    double all = 0;
    for (String word : words) {
      double weight = weight(word);
      sum += weight * best(word, in);
      all += weight;
    }
    return all == 0 ? 0 : sum / all;
  }

  /** How much of a word is found in others. */
  private double best(String word, List<String> in) {
    if (in.contains(word)) {
      return 1;
    }
    Map<String, Double> others = others(word);
    double best = 0;
    for (String other : in) {
      best = Math.max(best, words(word, other, others));
    }
    return best;
  }

  private static double both(double one, double other) {
    return one + other == 0 ? 0 : 2 * one * other / (one + other);
  }

  double names(List<String> one, List<String> other) {
    if (one.equals(other) || String.join("", one).equals(String.join("", other))) {
      return 1;
    }
    return both(covered(one, other), covered(other, one));
  }

  /** The ways to two fields: the nearer a name, the more it counts. */
  double ways(Described left, Described right) {
    return both(way(left, right.all()), way(right, left.all()));
  }

  private double way(Described one, List<String> other) {
    double weight = 1;
    double sum = covered(one.own(), other);
    double all = 1;
    List<String> around = one.around();
    for (int i = around.size() - 1; i >= 0 && weight > 0.05; i--) {
      weight *= OUTER;
      sum += weight * best(around.get(i), other);
      all += weight;
    }
    return sum / all;
  }
}
