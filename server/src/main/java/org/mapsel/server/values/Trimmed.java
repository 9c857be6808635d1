package org.mapsel.server.values;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * A value whose long lists were cut, so that a screen can take it.
 *
 * @param cut how many items the lists that were cut had, by path
 */
public record Trimmed(Value value, Map<FieldPath, Integer> cut) {

  /** More rows than this tell nobody more about the fields. */
  public static final int MAX_ITEMS = 200;

  public static Trimmed of(Value value) {
    Map<FieldPath, Integer> cut = new LinkedHashMap<>();
    Value trimmed = trim(value, FieldPath.ROOT, cut);
    return new Trimmed(trimmed, cut);
  }

  private static Value trim(Value value, FieldPath path, Map<FieldPath, Integer> cut) {
    if (value instanceof ListValue list) {
      if (list.items().size() > MAX_ITEMS) {
        cut.merge(path, list.items().size(), Math::max);
      }
      List<Value> items = new ArrayList<>();
      for (Value item : list.items().subList(0, Math.min(MAX_ITEMS, list.items().size()))) {
        items.add(trim(item, path, cut));
      }
      return new ListValue(items);
    }
    if (value instanceof RecordValue record) {
      Map<String, Value> fields = new LinkedHashMap<>();
      record.forEach((name, field) -> fields.put(name, trim(field, path.then(name), cut)));
      return RecordValue.of(fields);
    }
    return value;
  }
}
