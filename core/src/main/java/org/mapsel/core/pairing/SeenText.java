package org.mapsel.core.pairing;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What samples have for a field.
 *
 * @param values the different texts
 * @param forms how they are written: {@code S-20417} is a capital, a dash and digits
 */
record SeenText(Set<String> values, Set<String> forms) {

  private static final SeenText NOTHING = new SeenText(Set.of(), Set.of());

  /** What is one of two tells nothing, whatever stands beside it. */
  private static final Set<String> YES_OR_NO = Set.of("true", "false");

  static SeenText of(List<String> texts) {
    if (texts.isEmpty() || YES_OR_NO.containsAll(texts)) {
      return NOTHING;
    }
    Set<String> values = new HashSet<>(texts);
    return new SeenText(values, values.stream().map(SeenText::form).collect(Collectors.toSet()));
  }

  private static String form(String value) {
    return value.replaceAll("\\p{N}+", "9").replaceAll("\\p{Lu}+", "A").replaceAll("\\p{Ll}+", "a");
  }

  /** In how many fields each text stands. */
  static Map<String, Integer> counts(Stream<SeenText> fields) {
    Map<String, Integer> counts = new HashMap<>();
    fields.forEach(field -> field.values().forEach(text -> counts.merge(text, 1, Integer::sum)));
    return counts;
  }
}
