package org.mapsel.core.page.view;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.mapsel.core.page.Shown;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

/** What is said of the values of a column as a whole. */
final class Totals {

  private Totals() {}

  /**
   * A total; values that it cannot be made of are passed over.
   *
   * @param values those that are there
   * @return absent if there is nothing to make it of
   */
  static Value of(Shown.Total total, Stream<Value> values) {
    return switch (total) {
      case COUNT -> new NumberValue(BigDecimal.valueOf(values.count()));
      case SUM -> sum(numbers(values), false);
      case MEAN -> sum(numbers(values), true);
      case LEAST -> placed(values).min(BY_PLACE).orElse(Value.ABSENT);
      case MOST -> placed(values).max(BY_PLACE).orElse(Value.ABSENT);
    };
  }

  private static final Comparator<Value> BY_PLACE =
      (left, right) ->
          left instanceof NumberValue one && right instanceof NumberValue other
              ? one.number().compareTo(other.number())
              : Scale.place(left).orElseThrow().compareTo(Scale.place(right).orElseThrow());

  private static Stream<Value> placed(Stream<Value> values) {
    return values.filter(value -> Scale.place(value).isPresent());
  }

  private static List<BigDecimal> numbers(Stream<Value> values) {
    return values
        .filter(NumberValue.class::isInstance)
        .map(value -> ((NumberValue) value).number())
        .toList();
  }

  private static Value sum(List<BigDecimal> numbers, boolean mean) {
    if (numbers.isEmpty()) {
      return Value.ABSENT;
    }
    BigDecimal sum = numbers.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    return new NumberValue(
        mean ? sum.divide(BigDecimal.valueOf(numbers.size()), MathContext.DECIMAL64) : sum);
  }
}
