package org.mapsel.core.page.view;

import java.math.BigDecimal;
import java.text.Collator;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.IntFunction;
import java.util.stream.Stream;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.WrittenDuration;

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
        rows.add(new Keyed(row, keyOf(key.apply(row))));
      }
    }
    Comparator<Keyed> order = Comparator.comparing(Keyed::key, this::compared);
    rows.sort(
        Comparator.<Keyed, Boolean>comparing(row -> row.key() instanceof Key.None)
            .thenComparing(descending ? order.reversed() : order));
    return rows.stream().map(Keyed::row).toList();
  }

  private record Keyed(int row, Key key) {}

  /** What values are ordered by. Those of one kind stand together: between kinds is no order. */
  private sealed interface Key {

    record Number(BigDecimal number) implements Key {}

    record Moment(double place) implements Key {}

    record Length(BigDecimal seconds) implements Key {}

    record Words(String text) implements Key {}

    record None() implements Key {}
  }

  private static Key keyOf(Value value) {
    return switch (value) {
      case NumberValue number -> new Key.Number(number.number());
      case TimeValue time ->
          Scale.place(time)
              .<Key>map(Key.Moment::new)
              .or(() -> WrittenDuration.of(time.iso()).map(one -> new Key.Length(one.seconds())))
              .orElseGet(() -> new Key.Words(time.iso()));
      case TextValue text -> new Key.Words(text.text());
      case BooleanValue yes -> new Key.Words(yes.isTrue() ? "1" : "0");
      default -> value.isAbsent() || value == Value.NULL ? new Key.None() : new Key.Words("");
    };
  }

  private static int rank(Key key) {
    return switch (key) {
      case Key.Number number -> 0;
      case Key.Moment moment -> 1;
      case Key.Length length -> 2;
      case Key.Words words -> 3;
      case Key.None none -> 4;
    };
  }

  private int compared(Key one, Key other) {
    if (one instanceof Key.Number first && other instanceof Key.Number second) {
      return first.number().compareTo(second.number());
    }
    if (one instanceof Key.Moment first && other instanceof Key.Moment second) {
      return Double.compare(first.place(), second.place());
    }
    if (one instanceof Key.Length first && other instanceof Key.Length second) {
      return first.seconds().compareTo(second.seconds());
    }
    if (one instanceof Key.Words first && other instanceof Key.Words second) {
      return collator.compare(first.text(), second.text());
    }
    return Integer.compare(rank(one), rank(other));
  }
}
