package org.mapsel.core.page.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** The order of rows by what stands in one of their columns. */
class RowOrderTest {

  private static List<Value> ordered(List<Value> column, boolean descending) {
    return new RowOrder(Locale.UK)
        .of(column.size(), column::get, descending, "", row -> Stream.empty()).stream()
            .map(column::get)
            .toList();
  }

  private static Value lasting(String iso) {
    return new TimeValue(TimeValue.Kind.DURATION, iso);
  }

  @Test
  void durationsAreOrderedByTheirLength() {
    List<Value> lengths =
        List.of(lasting("PT10H"), lasting("P1D"), lasting("PT2H"), Value.ABSENT, lasting("PT90M"));

    assertThat(ordered(lengths, false))
        .containsExactly(
            lasting("PT90M"), lasting("PT2H"), lasting("PT10H"), lasting("P1D"), Value.ABSENT);
    assertThat(ordered(lengths, true)).startsWith(lasting("P1D")).endsWith(Value.ABSENT);
  }

  @Test
  void columnsOfSeveralKindsOfValuesHaveOneOrderHoweverTheyCome() {
    List<Value> column = new ArrayList<>();
    IntStream.range(0, 300)
        .forEach(
            i -> {
              column.add(NumberValue.of(i));
              column.add(Value.text(String.valueOf(i)));
              column.add(lasting("PT" + i + "M"));
            });
    List<Value> first = ordered(column, false);
    for (int seed = 0; seed < 20; seed++) {
      Collections.shuffle(column, new Random(seed));
      assertThat(ordered(column, false)).isEqualTo(first);
    }
  }
}
