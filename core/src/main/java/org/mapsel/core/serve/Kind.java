package org.mapsel.core.serve;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * Things of one kind that a stand-in remembers.
 *
 * @param made whether the things are made up, so that there may be any others as well
 * @param groups the things, by what they belong to
 */
record Kind(CollectionFinder.Found found, boolean made, Map<List<String>, Group> groups) {

  /**
   * Things that belong to the same.
   *
   * @param scope the parameters that tell what they belong to
   * @param byKey the things that are there
   * @param gone keys of those that were deleted
   */
  record Group(RecordValue scope, Map<List<String>, RecordValue> byKey, Set<List<String>> gone) {

    boolean has(List<String> key) {
      return byKey.containsKey(key);
    }

    int size() {
      return byKey.size();
    }
  }

  Operation list() {
    return found.list();
  }

  Map<String, String> keys() {
    return found.keys();
  }

  ShapeId rowShape() {
    return found.rows().shape();
  }

  /** What the things that are asked about belong to. */
  RecordValue scopeOf(RecordValue parameters) {
    Map<String, Value> scope = new LinkedHashMap<>();
    found.scope().forEach(name -> scope.put(name, parameters.get(name)));
    return RecordValue.of(scope);
  }

  /** How many there are, whatever they belong to. */
  int size() {
    return groups.values().stream().mapToInt(Group::size).sum();
  }

  /** How many were deleted, whatever they belonged to. */
  int gone() {
    return groups.values().stream().mapToInt(group -> group.gone().size()).sum();
  }

  /** How many the list must have, as described. */
  int least() {
    return Math.max(found.rows().occurrence().min(), found.rows().occurrence().least());
  }
}
