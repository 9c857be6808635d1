package org.mapsel.core.pairing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Ordinary words of business data: how they are shortened, and which mean the same. */
public final class Lexicon {

  private final Map<String, List<String>> abbreviations;
  private final Map<String, List<String>> units;
  private final Map<String, Set<Integer>> groups;

  private Lexicon(
      Map<String, List<String>> abbreviations,
      Map<String, List<String>> units,
      Map<String, Set<Integer>> groups) {
    this.abbreviations = abbreviations;
    this.units = units;
    this.groups = groups;
  }

  private static final class Holder {
    private static final Lexicon SHIPPED = read(List.of());
  }

  /** The words that everybody has. */
  public static Lexicon shipped() {
    return Holder.SHIPPED;
  }

  /**
   * With more words that mean the same.
   *
   * @param more each a group
   */
  public static Lexicon with(List<? extends Collection<String>> more) {
    return read(more);
  }

  private static Lexicon read(List<? extends Collection<String>> more) {
    Map<String, Set<Integer>> groups = new HashMap<>();
    int group = 0;
    List<Collection<String>> all = new ArrayList<>(lines("synonyms.txt"));
    all.addAll(more);
    for (Collection<String> words : all) {
      for (String word : words) {
        groups.computeIfAbsent(word, none -> new HashSet<>()).add(group);
      }
      group++;
    }
    return new Lexicon(shortForms("abbreviations.txt"), shortForms("units.txt"), groups);
  }

  private static Map<String, List<String>> shortForms(String resource) {
    Map<String, List<String>> forms = new HashMap<>();
    for (List<String> line : lines(resource)) {
      forms.putIfAbsent(line.getFirst(), line.subList(1, line.size()));
    }
    return forms;
  }

  private static List<List<String>> lines(String resource) {
    try (InputStream in = Lexicon.class.getResourceAsStream(resource)) {
      if (in == null) {
        throw new IllegalStateException("Missing resource " + resource);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .filter(line -> !line.isBlank() && !line.startsWith("#"))
          .map(line -> List.of(line.strip().split("\\s+")))
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What a short form stands for; the word itself if it is none. */
  List<String> expanded(String word) {
    return abbreviations.getOrDefault(word, List.of(word));
  }

  /** What a unit at the end of a name stands for; the word itself if it is none. */
  List<String> unit(String word) {
    return units.getOrDefault(word, List.of(word));
  }

  boolean isKnown(String word) {
    return abbreviations.containsKey(word) || groups.containsKey(word);
  }

  boolean meanTheSame(String one, String other) {
    Set<Integer> first = groups.get(one);
    Set<Integer> second = groups.get(other);
    return first != null && second != null && first.stream().anyMatch(second::contains);
  }

  /** The groups of words that a word is in; itself if it is in none. */
  Set<String> concepts(String word) {
    Set<Integer> known = groups.get(word);
    return known == null
        ? Set.of(word)
        : known.stream().map(one -> "#" + one).collect(Collectors.toSet());
  }
}
