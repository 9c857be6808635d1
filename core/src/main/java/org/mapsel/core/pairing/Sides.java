package org.mapsel.core.pairing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Makes fields ready for hints: words, weights and places. */
final class Sides {

  private static final double MOST_BEGIN = 0.6;
  private static final int ENOUGH = 3;
  private static final int LONGEST_TEXT = 2_000;

  private final Words words;
  private final List<Described> left;
  private final List<Described> right;
  private final Map<String, Double> weights;

  Sides(List<PairingField> left, List<PairingField> right, Lexicon lexicon) {
    this.words = new Words(lexicon);
    Stream.concat(left.stream(), right.stream())
        .forEach(
            field -> {
              field.names().forEach(words::learn);
              words.learn(field.label());
            });
    Map<String, Integer> told = told(left, right);
    int all = left.size() + right.size();
    this.left = described(left, told, all);
    this.right = described(right, told, all);
    this.weights = weights();
  }

  List<Described> left() {
    return left;
  }

  List<Described> right() {
    return right;
  }

  Map<String, Double> wordWeights() {
    return weights;
  }

  /** In how many fields of both sides each text of the samples stands. */
  Map<String, Integer> seenTexts() {
    return SeenText.counts(Stream.concat(left.stream(), right.stream()).map(Described::seen));
  }

  /** A word that stands in many names tells less. */
  private Map<String, Double> weights() {
    Map<String, Integer> counts = new HashMap<>();
    int all = left.size() + right.size();
    Stream.concat(left.stream(), right.stream())
        .forEach(
            field ->
                new HashSet<>(field.all()).forEach(word -> counts.merge(word, 1, Integer::sum)));
    Map<String, Double> found = new HashMap<>();
    counts.forEach(
        (word, count) ->
            found.put(word, 0.4 + Math.log(1 + (double) all / count) / Math.log(1 + all)));
    return found;
  }

  private Map<String, Integer> told(List<PairingField> one, List<PairingField> other) {
    Map<String, Integer> counts = new HashMap<>();
    Stream.concat(one.stream(), other.stream())
        .forEach(
            field ->
                new HashSet<>(text(field.documentation()))
                    .forEach(word -> counts.merge(word, 1, Integer::sum)));
    return counts;
  }

  private List<String> text(String documentation) {
    return documentation.isBlank()
        ? List.of()
        : words.of(documentation.substring(0, Math.min(LONGEST_TEXT, documentation.length())));
  }

  private List<Described> described(List<PairingField> fields, Map<String, Integer> told, int all) {
    Map<List<String>, String> shared = shared(fields);
    List<Described> described = new ArrayList<>();
    for (int i = 0; i < fields.size(); i++) {
      PairingField field = fields.get(i);
      List<String> own = words.of(field.name());
      String first = shared.get(field.around());
      if (first != null && own.size() > 1 && own.getFirst().equals(first)) {
        own = own.subList(1, own.size());
      }
      List<String> around = new ArrayList<>();
      field.around().forEach(name -> around.addAll(words.of(name)));
      if (first != null) {
        around.add(first);
      }
      described.add(
          new Described(
              field,
              i,
              List.copyOf(own),
              List.copyOf(around),
              field.label().isBlank() ? List.of() : words.of(field.label()),
              vector(text(field.documentation()), told, all),
              SeenText.of(field.values()),
              fields.size() == 1 ? 0.5 : (double) i / (fields.size() - 1)));
    }
    return described;
  }

  /** The word that most names of a group begin with. */
  private Map<List<String>, String> shared(List<PairingField> fields) {
    Map<List<String>, List<String>> firsts = new HashMap<>();
    fields.forEach(
        field ->
            firsts
                .computeIfAbsent(field.around(), none -> new ArrayList<>())
                .add(words.of(field.name()).getFirst()));
    Map<List<String>, String> shared = new HashMap<>();
    firsts.forEach(
        (group, words) -> {
          Map<String, Long> counts =
              words.stream().collect(Collectors.groupingBy(word -> word, Collectors.counting()));
          counts.forEach(
              (word, count) -> {
                if (words.size() >= ENOUGH && count >= MOST_BEGIN * words.size()) {
                  shared.put(group, word);
                }
              });
        });
    return shared;
  }

  private static Map<String, Double> vector(List<String> text, Map<String, Integer> told, int all) {
    Map<String, Double> vector = new HashMap<>();
    for (String word : text) {
      vector.merge(word, Math.log((1.0 + all) / (1 + told.getOrDefault(word, 0))), Double::sum);
    }
    double length = Math.sqrt(vector.values().stream().mapToDouble(one -> one * one).sum());
    if (length == 0) {
      return Map.of();
    }
    vector.replaceAll((word, weight) -> weight / length);
    return vector;
  }
}
