package org.mapsel.core.convert;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Conversions between simple types. */
class ConversionsTest {

  private static String converted(ScalarType from, ScalarType to, Value value) {
    Value made = Conversions.between(from, to).orElseThrow().apply(value);
    return made.isAbsent() ? "nothing" : ScalarText.print(made);
  }

  private static Value time(String iso) {
    return ScalarText.parse(ScalarType.DATE_TIME, iso).orElseThrow();
  }

  private static Value number(String digits) {
    return new NumberValue(new BigDecimal(digits));
  }

  @Test
  void makeWhatIsMeant() {
    assertThat(converted(ScalarType.TEXT, ScalarType.INTEGER, Value.text("12"))).isEqualTo("12");
    assertThat(converted(ScalarType.TEXT, ScalarType.INTEGER, Value.text("12.5")))
        .isEqualTo("nothing");
    assertThat(converted(ScalarType.TEXT, ScalarType.DATE, Value.text("2031-05-14")))
        .isEqualTo("2031-05-14");
    assertThat(converted(ScalarType.TEXT, ScalarType.BOOLEAN, Value.text("true")))
        .isEqualTo("true");
    assertThat(converted(ScalarType.DECIMAL, ScalarType.INTEGER, number("2.5"))).isEqualTo("3");
    assertThat(converted(ScalarType.DECIMAL, ScalarType.TEXT, number("1.50"))).isEqualTo("1.50");
    assertThat(converted(ScalarType.DATE_TIME, ScalarType.DATE, time("2031-05-14T06:40:00Z")))
        .isEqualTo("2031-05-14");
    assertThat(converted(ScalarType.DATE_TIME, ScalarType.TIME, time("2031-05-14T06:40:00Z")))
        .isEqualTo("06:40:00Z");
    assertThat(
            converted(
                ScalarType.DATE,
                ScalarType.DATE_TIME,
                new TimeValue(TimeValue.Kind.DATE, "2031-05-14")))
        .isEqualTo("2031-05-14T00:00:00");
    assertThat(converted(ScalarType.BOOLEAN, ScalarType.INTEGER, BooleanValue.TRUE)).isEqualTo("1");
    assertThat(converted(ScalarType.INTEGER, ScalarType.BOOLEAN, number("0"))).isEqualTo("false");
    assertThat(part("1987")).isEqualTo("1987");
    assertThat(part("--05Z")).isEqualTo("5");
    assertThat(part("---09+01:00")).isEqualTo("9");
    assertThat(part("1987-05")).isEqualTo("nothing");
  }

  private static String part(String iso) {
    return converted(
        ScalarType.PARTIAL_DATE, ScalarType.INTEGER, new TimeValue(TimeValue.Kind.PARTIAL, iso));
  }

  @Test
  void sayWhatIsLostAndWhatIsImpossible() {
    assertThat(Conversions.between(ScalarType.DATE_TIME, ScalarType.DATE).orElseThrow().risk())
        .isEqualTo(Conversion.Risk.LOSES);
    assertThat(Conversions.between(ScalarType.TEXT, ScalarType.DATE).orElseThrow().risk())
        .isEqualTo(Conversion.Risk.MAY_FAIL);
    assertThat(Conversions.between(ScalarType.BASE64, ScalarType.TEXT)).isEmpty();
    assertThat(Conversions.between(ScalarType.DATE, ScalarType.INTEGER)).isEmpty();
    assertThat(Conversions.isNeeded(ScalarType.INTEGER, ScalarType.DECIMAL)).isFalse();
    assertThat(Conversions.isNeeded(ScalarType.TEXT, ScalarType.URI)).isFalse();
  }

  @Test
  void neverThrowWhateverTheyAreGiven() {
    List<Value> values =
        List.of(
            Value.text("x"),
            number("-1e300"),
            BooleanValue.FALSE,
            time("2031-05-14T06:40:00"),
            Value.NULL,
            Value.ABSENT,
            RecordValue.empty());
    for (ScalarType from : ScalarType.values()) {
      for (ScalarType to : ScalarType.values()) {
        Conversions.between(from, to)
            .ifPresent(
                conversion ->
                    values.forEach(value -> assertThat(conversion.apply(value)).isNotNull()));
      }
    }
  }
}
