package org.mapsel.core.sample;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Selector;
import org.mapsel.core.ref.ShapeId;
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
 * description tells of.
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
          row.field().isRepeated()
              && row.rows().isRoot()
              && !row.recursive()
              && row.shape() instanceof Shape.Record;
      if (group) {
        list(sample, row.path())
            .ifPresent(list -> all.addAll(endOf(all, row), keys(row, shapes, list)));
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

  private static Optional<ListValue> list(Value sample, FieldPath path) {
    Value around = sample.at(new FieldPath(path.steps().subList(0, path.length() - 1)));
    return around instanceof RecordValue record && record.get(path.last()) instanceof ListValue list
        ? Optional.of(list)
        : Optional.empty();
  }

  private static List<Row> keys(Row group, Shapes shapes, ListValue list) {
    List<Field> simple = simple(shapes, group.field().shape());
    Optional<Field> key = key(simple, shapes, list);
    if (key.isEmpty()) {
      return List.of();
    }
    Field value = value(simple, key.get()).orElseThrow();
    Set<String> keys = new LinkedHashSet<>();
    list.items().forEach(item -> text(item, key.get()).ifPresent(keys::add));
    return keys.size() > MOST_KEYS
        ? List.of()
        : keys.stream().map(each -> row(group, shapes, key.get(), value, each)).toList();
  }

  private static Row row(Row group, Shapes shapes, Field key, Field value, String text) {
    return new Row(
        group.path().then(new Selector(key.name(), text).step()).then(value.name()),
        group.wire(),
        value
            .named(text)
            .occurring(Occurrence.OPTIONAL)
            .documented(value.name() + " where " + key.name() + " is " + text),
        shapes.get(value.shape()),
        false,
        false,
        FieldPath.ROOT,
        false,
        false);
  }

  private static List<Field> simple(Shapes shapes, ShapeId group) {
    return shapes.fieldsOf(group).stream()
        .filter(field -> !field.isRepeated() && shapes.get(field.shape()) instanceof Shape.Scalar)
        .toList();
  }

  /** By their names, or because nothing else is in the group and only one of them can be it. */
  private static Optional<Field> key(List<Field> simple, Shapes shapes, ListValue list) {
    List<Field> unique =
        simple.stream().filter(field -> isText(shapes, field) && isUnique(list, field)).toList();
    Optional<Field> named = unique.stream().filter(field -> is(field, KEYS)).findFirst();
    if (named.isPresent() && value(simple, named.get()).isPresent()) {
      return named;
    }
    boolean pair = simple.size() == 2 && unique.size() == 1 && list.items().size() > 1;
    return pair ? Optional.of(unique.get(0)) : Optional.empty();
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

  private static boolean isUnique(ListValue list, Field field) {
    Set<String> seen = new HashSet<>();
    for (Value item : list.items()) {
      Optional<String> text = text(item, field);
      if (text.isEmpty() || text.get().length() > LONGEST_KEY || !seen.add(text.get())) {
        return false;
      }
    }
    return !seen.isEmpty();
  }

  private static Optional<String> text(Value item, Field field) {
    return item instanceof RecordValue record
        ? ListValue.plain(record.get(field.name())).filter(text -> !text.isBlank())
        : Optional.empty();
  }
}
