package org.mapsel.core.page.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.mapsel.core.model.Labels;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.Step;

/**
 * Tells fields apart that one part would call the same: a sender's name and a receiver's. What is
 * around them is named too, as near as it differs.
 */
final class DistinctLabels {

  /**
   * A field of a part.
   *
   * @param heading what it would be called
   * @param path the way to it, without what tells nobody anything
   * @param whole the whole way, where that is needed to tell it apart
   */
  record Named(PartId id, String heading, FieldPath path, FieldPath whole) {}

  /** The labels of what is around a field, from the inside out. */
  private static List<String> around(FieldPath path) {
    List<String> names = new ArrayList<>();
    for (Step step : path.steps()) {
      if (step instanceof Step.Name name) {
        names.addFirst(Labels.of(name.name()));
      }
    }
    return names.isEmpty() ? names : names.subList(1, names.size());
  }

  private DistinctLabels() {}

  /**
   * The words that must stand before the labels of some of the fields of one part.
   *
   * @param never whether two of them are never seen together
   */
  static Map<PartId, String> within(List<Named> fields, BiPredicate<PartId, PartId> never) {
    Map<PartId, String> within = new HashMap<>();
    fields.stream()
        .collect(Collectors.groupingBy(Named::heading, LinkedHashMap::new, Collectors.toList()))
        .values()
        .stream()
        .filter(same -> areTogether(same, never))
        .forEach(same -> within.putAll(apart(same)));
    return within;
  }

  /** Whether any two are seen together. */
  private static boolean areTogether(List<Named> same, BiPredicate<PartId, PartId> never) {
    return IntStream.range(0, same.size())
        .anyMatch(
            i ->
                same.subList(0, i).stream()
                    .anyMatch(other -> !never.test(other.id(), same.get(i).id())));
  }

  private static Map<PartId, String> apart(List<Named> same) {
    Map<PartId, String> apart = apart(same, Named::path);
    return apart.isEmpty() ? apart(same, Named::whole) : apart;
  }

  private static Map<PartId, String> apart(List<Named> same, Function<Named, FieldPath> way) {
    Map<PartId, List<String>> around = new LinkedHashMap<>();
    same.forEach(field -> around.put(field.id(), around(way.apply(field))));
    int depth = around.values().stream().mapToInt(List::size).max().orElse(0);
    for (int i = 0; i < depth; i++) {
      int level = i;
      Map<PartId, String> names = named(around, all -> level < all.size() ? all.get(level) : "");
      if (areDistinct(names)) {
        return names;
      }
    }
    for (int i = 2; i <= depth; i++) {
      int levels = i;
      Map<PartId, String> names =
          named(
              around,
              all -> String.join(" › ", all.subList(0, Math.min(levels, all.size())).reversed()));
      if (areDistinct(names)) {
        return names;
      }
    }
    return Map.of();
  }

  private static Map<PartId, String> named(
      Map<PartId, List<String>> around, Function<List<String>, String> words) {
    Map<PartId, String> names = new LinkedHashMap<>();
    around.forEach((id, all) -> names.put(id, words.apply(all)));
    return names;
  }

  private static boolean areDistinct(Map<PartId, String> names) {
    return new HashSet<>(names.values()).size() == names.size();
  }
}
