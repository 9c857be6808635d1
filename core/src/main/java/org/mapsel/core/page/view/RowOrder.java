package org.mapsel.core.page.view;

import java.text.Collator;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.Stream;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Puts rows in an order, and finds those that have something in them. */
final class RowOrder {

  private final Locale locale;
  private final Collator collator;

  RowOrder(Locale locale) {
    this.locale = locale;
    this.collator = Collator.getInstance(locale);
  }

  /**
   * The numbers of rows. Rows without a value stand at the end, whichever way they are ordered;
   * equal ones stay in the order of the answer.
   *
   * @param count how many rows there are
   * @param key what a row is ordered by
   * @param find what a row must have in one of its words, whatever the case
   */
  List<Integer> of(
      int count,
      IntFunction<Value> key,
      boolean descending,
      String find,
      IntFunction<Stream<String>> words) {
    String wanted = find.strip().toLowerCase(locale);
    List<Keyed> rows = new ArrayList<>();
    for (int row = 0; row < count; row++) {
      boolean found =
          wanted.isEmpty()
              || words.apply(row).anyMatch(text -> text.toLowerCase(locale).contains(wanted));
      if (found) {
        rows.add(new Keyed(row, key.apply(row)));
      }
    }
    Comparator<Keyed> order = (one, other) -> compared(one.key(), other.key());
    rows.sort(
        Comparator.<Keyed, Boolean>comparing(row -> isEmpty(row.key()))
            .thenComparing(descending ? order.reversed() : order));
    return rows.stream().map(Keyed::row).toList();
  }

  private record Keyed(int row, Value key) {}

  private static boolean isEmpty(Value value) {
    return value.isAbsent() || value == Value.NULL;
  }

  private int compared(Value one, Value other) {
    if (one instanceof NumberValue first && other instanceof NumberValue second) {
      return first.number().compareTo(second.number());
    }
    Optional<Double> first = Scale.place(one);
    Optional<Double> second = Scale.place(other);
    if (first.isPresent() && second.isPresent()) {
      return first.get().compareTo(second.get());
    }
    return collator.compare(text(one), text(other));
  }

  private static String text(Value value) {
    return switch (value) {
      case TextValue text -> text.text();
      case NumberValue number -> number.number().toPlainString();
      case BooleanValue yes -> yes.isTrue() ? "1" : "0";
      case TimeValue time -> time.iso();
      default -> "";
    };
  }
}
