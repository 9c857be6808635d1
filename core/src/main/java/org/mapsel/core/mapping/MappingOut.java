package org.mapsel.core.mapping;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.ref.Cut;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.Selector;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextCuts;
import org.mapsel.core.value.Value;

/** What came back to the contents of parts. */
public final class MappingOut {

  private MappingOut() {}

  /** The returned fields that the mappings use; nothing else of an answer needs to be kept. */
  public static Set<FieldPath> wanted(List<Mapping> mappings) {
    Set<FieldPath> items = new LinkedHashSet<>();
    Set<FieldPath> rows = new LinkedHashSet<>();
    for (Mapping mapping : mappings) {
      if (mapping.source() instanceof Source.Returned returned) {
        (mapping.target() instanceof Target.Rows ? rows : items).add(returned.path());
      }
    }
    // Rows alone would keep everything inside them; their columns say what is needed.
    rows.removeIf(row -> items.stream().anyMatch(item -> item.startsWith(row)));
    items.addAll(rows);
    return items.stream()
        .flatMap(path -> path.asked().stream())
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  /**
   * The content of every part that the mappings fill: for a table a list of records keyed by
   * column, for a record one record keyed by field.
   */
  public static Map<PartId, Value> apply(List<Mapping> mappings, RecordValue returned) {
    Map<PartId, FieldPath> rows = new LinkedHashMap<>();
    Map<PartId, Map<String, FieldPath>> items = new LinkedHashMap<>();
    for (Mapping mapping : mappings) {
      if (mapping.source() instanceof Source.Returned source) {
        switch (mapping.target()) {
          case Target.Rows target -> rows.put(target.part(), source.path());
          case Target.Shown target ->
              items
                  .computeIfAbsent(target.part(), part -> new LinkedHashMap<>())
                  .put(target.item().text(), source.path());
          case Target.Parameter none -> {}
        }
      }
    }
    Map<PartId, Value> contents = new LinkedHashMap<>();
    rows.forEach(
        (part, path) ->
            contents.put(part, table(returned, path, items.getOrDefault(part, Map.of()))));
    items.forEach(
        (part, fields) -> {
          if (!rows.containsKey(part)) {
            contents.put(part, row(fields, FieldPath.ROOT, returned, returned));
          }
        });
    return contents;
  }

  private static Value table(RecordValue returned, FieldPath rows, Map<String, FieldPath> columns) {
    List<Value> lines = new ArrayList<>();
    for (Value item : collect(returned, rows)) {
      lines.add(row(columns, rows, item, returned));
    }
    return new ListValue(lines);
  }

  private static RecordValue row(
      Map<String, FieldPath> columns, FieldPath base, Value item, RecordValue returned) {
    Map<String, Value> cells = new LinkedHashMap<>();
    columns.forEach(
        (name, path) -> {
          Value cell =
              path.startsWith(base)
                  ? single(collect(item, path.below(base)))
                  : single(collect(returned, path));
          if (!cell.isAbsent()) {
            cells.put(name, cell);
          }
        });
    return RecordValue.of(cells);
  }

  private static Value single(List<Value> values) {
    return switch (values.size()) {
      case 0 -> Value.ABSENT;
      case 1 -> values.get(0);
      default -> new ListValue(values);
    };
  }

  /** Everything at the end of a path, through all items of the lists on the way. */
  static List<Value> collect(Value from, FieldPath path) {
    List<Value> here = spread(from);
    for (String step : path.steps()) {
      Optional<Selector> selector = Selector.in(step);
      if (selector.isPresent() && here.stream().noneMatch(value -> has(value, step))) {
        here = new ListValue(here).picked(selector.get()).toList();
        continue;
      }
      List<Value> next = new ArrayList<>();
      Optional<Cut> cut = Cut.in(step);
      for (Value value : here) {
        cut.ifPresent(pattern -> next.addAll(TextCuts.cut(pattern, value)));
        if (value instanceof RecordValue record) {
          next.addAll(spread(record.get(step)));
        }
      }
      here = next;
    }
    return here;
  }

  /** A name in JSON may look like a selector. */
  private static boolean has(Value value, String name) {
    return value instanceof RecordValue record && !record.get(name).isAbsent();
  }

  private static List<Value> spread(Value value) {
    return value instanceof ListValue list
        ? list.items()
        : value.isAbsent() ? List.of() : List.of(value);
  }
}
