package org.mapsel.core.verify;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.PersonalData;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Compares an answer with the one that is known. */
public final class Comparison {

  /** More than these nobody reads; the first ones tell what happened. */
  private static final int MOST = 1_000;

  /** What was not kept because it tells of a person is as it was, whatever it is. */
  private static final Value BLANK = new TextValue(PersonalData.BLANK);

  private final Check check;
  private final List<Deviation> deviations = new ArrayList<>();

  private Comparison(Check check) {
    this.check = check;
  }

  /** What is not as it was, from top to bottom. */
  public static List<Deviation> of(RecordValue expected, RecordValue actual, Check check) {
    Comparison comparison = new Comparison(check);
    if (check.holds() == Check.Holds.SHAPE) {
      comparison.shapes(expected, actual);
    } else {
      comparison.values(FieldPath.ROOT, expected, actual);
    }
    return List.copyOf(comparison.deviations);
  }

  private void tell(Deviation.Kind kind, FieldPath path, String expected, String actual) {
    if (deviations.size() < MOST) {
      deviations.add(new Deviation(kind, path, expected, actual));
    }
  }

  /** Fields of the items of a list are the same fields, whatever item they are of. */
  private void shapes(RecordValue expected, RecordValue actual) {
    Map<FieldPath, Value> were = new LinkedHashMap<>();
    Map<FieldPath, Value> are = new LinkedHashMap<>();
    fields(FieldPath.ROOT, expected, were);
    fields(FieldPath.ROOT, actual, are);
    were.forEach(
        (path, was) -> {
          Value is = are.get(path);
          if (!check.compares(path)) {
            return;
          }
          if (is == null) {
            if (isReachable(path, were, are)) {
              tell(Deviation.Kind.MISSING, path, type(was), "nothing");
            }
          } else if (!was.equals(BLANK)
              && !type(was).equals(type(is))
              && !isEmptyList(was)
              && !isEmptyList(is)) {
            tell(Deviation.Kind.TYPE, path, type(was), type(is));
          }
        });
  }

  /** What stands in something that is missing itself is told of once; so is an empty list. */
  private static boolean isReachable(
      FieldPath path, Map<FieldPath, Value> were, Map<FieldPath, Value> are) {
    FieldPath parent = path.parent();
    return parent.isRoot() || are.containsKey(parent) && !isEmptyList(are.get(parent));
  }

  private static boolean isEmptyList(Value value) {
    return value instanceof ListValue list && list.items().isEmpty();
  }

  private static void fields(FieldPath path, Value value, Map<FieldPath, Value> fields) {
    switch (value) {
      case RecordValue record -> {
        for (String name : record.names()) {
          Value inside = record.get(name);
          if (!inside.isAbsent() && inside != Value.NULL) {
            FieldPath at = path.then(name);
            fields.putIfAbsent(at, inside);
            fields(at, inside, fields);
          }
        }
      }
      case ListValue list -> list.items().forEach(item -> fields(path, item, fields));
      default -> {}
    }
  }

  private static String type(Value value) {
    return switch (value) {
      case RecordValue record -> "group";
      case ListValue list -> list.items().isEmpty() ? "list" : type(list.items().getFirst());
      case NumberValue number -> "number";
      case BooleanValue flag -> "yes or no";
      case BinaryValue binary -> "file";
      default -> value.getClass().getSimpleName().replace("Value", "").toLowerCase(Locale.ROOT);
    };
  }

  private void values(FieldPath path, Value expected, Value actual) {
    if (!check.compares(path)) {
      return;
    }
    if (expected instanceof RecordValue record && actual instanceof RecordValue other) {
      Set<String> names = new LinkedHashSet<>(record.names());
      names.addAll(other.names());
      names.forEach(name -> values(path.then(name), record.get(name), other.get(name)));
    } else if (expected instanceof ListValue list && actual instanceof ListValue other) {
      lists(path, list, other);
    } else {
      simple(path, expected, actual);
    }
  }

  private void lists(FieldPath path, ListValue expected, ListValue actual) {
    if (expected.items().size() != actual.items().size()) {
      tell(
          Deviation.Kind.COUNT,
          path,
          String.valueOf(expected.items().size()),
          String.valueOf(actual.items().size()));
      return;
    }
    boolean unordered = check.unordered().contains(path);
    List<Value> were = unordered ? sorted(expected) : expected.items();
    List<Value> are = unordered ? sorted(actual) : actual.items();
    for (int i = 0; i < were.size(); i++) {
      values(path, were.get(i), are.get(i));
    }
  }

  private static List<Value> sorted(ListValue list) {
    return list.items().stream()
        .sorted(Comparator.comparing((Value item) -> ValueJson.write(item).toString()))
        .toList();
  }

  private void simple(FieldPath path, Value expected, Value actual) {
    boolean nothing = expected.isAbsent() || expected == Value.NULL;
    if (nothing && (actual.isAbsent() || actual == Value.NULL) || expected.equals(BLANK)) {
      return;
    }
    if (!nothing && (actual.isAbsent() || actual == Value.NULL)) {
      tell(Deviation.Kind.MISSING, path, words(expected), "nothing");
    } else if (!nothing && !type(expected).equals(type(actual))) {
      tell(Deviation.Kind.TYPE, path, type(expected), type(actual));
    } else if (!isSame(expected, actual)) {
      tell(Deviation.Kind.VALUE, path, words(expected), words(actual));
    }
  }

  private boolean isSame(Value expected, Value actual) {
    if (expected instanceof NumberValue one && actual instanceof NumberValue other) {
      return one.number().subtract(other.number()).abs().compareTo(check.tolerance()) <= 0;
    }
    return expected.equals(actual);
  }

  private static final int SHORT = 200;

  private static String words(Value value) {
    if (value.isAbsent()) {
      return "nothing";
    }
    String text =
        value instanceof RecordValue || value instanceof ListValue
            ? ValueJson.write(value).toString()
            : ScalarText.print(value);
    return text.length() > SHORT ? text.substring(0, SHORT) + "…" : text;
  }
}
