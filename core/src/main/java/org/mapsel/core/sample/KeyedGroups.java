package org.mapsel.core.sample;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.Step;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * Lists of keys with their values, found in samples: two simple fields side by side in a repeated
 * group, of which one never says the same twice. Each key becomes a field of its own, which no
 * description tells of. Where each of several rows has such a list, the keys of all are fields of
 * the rows.
 */
public final class KeyedGroups {

  private static final int MOST_KEYS = 200;
  private static final int LONGEST_KEY = 60;
  private static final Set<String> KEYS =
      Set.of("key", "name", "code", "property", "attribute", "parameter", "label", "id", "field");
  private static final Set<String> VALUES =
      Set.of("value", "val", "text", "content", "data", "stringvalue");

  private KeyedGroups() {}

  /**
   * The rows with one more below each such group for every key in the sample.
   *
   * @param rows of the shape that the sample follows
   */
  public static List<Row> with(List<Row> rows, Shapes shapes, Value sample) {
    List<Row> all = new ArrayList<>(rows);
    for (Row row : rows) {
      boolean group =
          row.field().isRepeated() && !row.recursive() && row.shape() instanceof Shape.Record;
      if (group) {
        List<ListValue> lists = new ArrayList<>();
        collect(sample, row.path(), 0, lists);
        all.addAll(endOf(all, row), keys(row, shapes, lists));
      }
    }
    return all;
  }

  private static int endOf(List<Row> all, Row group) {
    int end = all.indexOf(group) + 1;
    while (end < all.size() && all.get(end).path().startsWith(group.path())) {
      end++;
    }
    return end;
  }

  /** The lists at the end of a path, one for each item of the lists on the way. */
  private static void collect(Value from, FieldPath path, int at, List<ListValue> lists) {
    if (from instanceof ListValue list) {
      if (at == path.length()) {
        lists.add(list);
      } else {
        list.items().forEach(item -> collect(item, path, at, lists));
      }
    } else if (from instanceof RecordValue record && at < path.length()) {
      collect(record.get(path.name(at)), path, at + 1, lists);
    }
  }

  private static List<Row> keys(Row group, Shapes shapes, List<ListValue> lists) {
    List<Field> simple = simple(shapes, group.field().shape());
    Optional<Field> key = key(simple, shapes, lists);
    if (key.isEmpty()) {
      return List.of();
    }
    Field value = value(simple, key.get()).orElseThrow();
    Set<String> keys = keys(key.get(), lists);
    return keys.size() > MOST_KEYS
        ? List.of()
        : keys.stream().map(each -> row(group, shapes, key.get(), value, each)).toList();
  }

  private static Set<String> keys(Field key, List<ListValue> lists) {
    Set<String> keys = new LinkedHashSet<>();
    for (ListValue list : lists) {
      list.items().forEach(item -> text(item, key).ifPresent(keys::add));
    }
    return keys;
  }

  private static Row row(Row group, Shapes shapes, Field key, Field value, String text) {
    return new Row(
        group.path().then(new Step.PickByKey(key.name(), text)).then(value.name()),
        group.wire(),
        value
            .named(text)
            .occurring(Occurrence.OPTIONAL)
            .documented(value.name() + " where " + key.name() + " is " + text),
        shapes.get(value.shape()),
        false,
        false,
        group.rows(),
        false,
        false);
  }

  private static List<Field> simple(Shapes shapes, ShapeId group) {
    return shapes.fieldsOf(group).stream()
        .filter(field -> !field.isRepeated() && shapes.get(field.shape()) instanceof Shape.Scalar)
        .toList();
  }

  /** By their names, or because nothing else is in the group and only one of them can be it. */
  private static Optional<Field> key(List<Field> simple, Shapes shapes, List<ListValue> lists) {
    List<Field> unique =
        simple.stream().filter(field -> isText(shapes, field) && isUnique(lists, field)).toList();
    Optional<Field> named = unique.stream().filter(field -> is(field, KEYS)).findFirst();
    if (named.isPresent() && value(simple, named.get()).isPresent()) {
      return named;
    }
    List<Field> telling = unique.stream().filter(field -> recurs(field, lists)).toList();
    return simple.size() == 2 && telling.size() == 1
        ? Optional.of(telling.get(0))
        : Optional.empty();
  }

  /** Whether there are several items, and the same keys in several lists, as with what is a key. */
  private static boolean recurs(Field key, List<ListValue> lists) {
    int items = lists.stream().mapToInt(list -> list.items().size()).sum();
    return items > 1 && (lists.size() == 1 || keys(key, lists).size() <= items / 2);
  }

  private static Optional<Field> value(List<Field> simple, Field key) {
    List<Field> others = simple.stream().filter(field -> field != key).toList();
    return others.size() == 1
        ? Optional.of(others.get(0))
        : others.stream().filter(field -> is(field, VALUES)).findFirst();
  }

  private static boolean is(Field field, Set<String> names) {
    return names.contains(field.name().toLowerCase(Locale.ROOT));
  }

  private static boolean isText(Shapes shapes, Field field) {
    return shapes.get(field.shape()) instanceof Shape.Scalar scalar
        && (scalar.type() == ScalarType.TEXT
            || scalar.type() == ScalarType.NAME
            || scalar.type() == ScalarType.INTEGER);
  }

  private static boolean isUnique(List<ListValue> lists, Field field) {
    boolean any = false;
    for (ListValue list : lists) {
      Set<String> seen = new HashSet<>();
      for (Value item : list.items()) {
        Optional<String> text = text(item, field);
        if (text.isEmpty() || text.get().length() > LONGEST_KEY || !seen.add(text.get())) {
          return false;
        }
        any = true;
      }
    }
    return any;
  }

  private static Optional<String> text(Value item, Field field) {
    return item instanceof RecordValue record
        ? ListValue.plain(record.get(field.name())).filter(text -> !text.isBlank())
        : Optional.empty();
  }
}
