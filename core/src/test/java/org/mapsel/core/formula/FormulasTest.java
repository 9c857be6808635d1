package org.mapsel.core.formula;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Formulas over values. */
@Timeout(30)
class FormulasTest {

  private static final Map<String, ValueType> TYPES =
      Map.of(
          "length", simple(ScalarType.DECIMAL),
          "berths", simple(ScalarType.INTEGER),
          "name", simple(ScalarType.TEXT),
          "eta", simple(ScalarType.DATE_TIME),
          "due", simple(ScalarType.BOOLEAN),
          "tons", new ValueType.Simple(ScalarType.DECIMAL, true),
          "other", new ValueType.Unknown(false));
  private static final Map<String, Value> VALUES =
      Map.of(
          "length", new NumberValue(new BigDecimal("12.5")),
          "berths", NumberValue.of(3),
          "name", Value.text("Marrow Tern"),
          "eta", new TimeValue(TimeValue.Kind.DATE_TIME, "2031-05-14T06:40:00Z"),
          "due", BooleanValue.TRUE,
          "tons", ListValue.of(NumberValue.of(4), new NumberValue(new BigDecimal("1.5"))),
          "other", RecordValue.of(Map.of("deep", Value.text("down"))));

  private static ValueType simple(ScalarType type) {
    return new ValueType.Simple(type, false);
  }

  private static String result(String formula) {
    Value value =
        Formulas.of(formula, TYPES)
            .get()
            .compute(name -> VALUES.getOrDefault(name, Value.ABSENT))
            .value()
            .orElse(Value.ABSENT);
    return value.isAbsent() ? "nothing" : ScalarText.print(value);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "length * 2 | 25",
        "berths * 2 + length | 18.5",
        "berths / 2 | 1",
        "'Berth ' + berths | Berth 3",
        "length + ' m' | 12.5 m",
        "name.lowerAscii() | marrow tern",
        "name.size() > 5 && due | true",
        "due ? 'due' : 'gone' | due",
        "sum(tons) | 5.5",
        "mean(tons) | 2.75",
        "most(tons) | 4",
        "join(tons, ' / ') | 4 / 1.5",
        "round(length / 3.0, 2) | 4.17",
        "day(eta) | 2031-05-14",
        "hoursBetween(eta, eta + duration('90m')) | 1.5",
        "other.deep | down",
        "has(other.high) ? 'y' : 'n' | n",
        "tons.exists(t, t > 3.0) | true",
        "length > berths | true",
        "1 / 0 | nothing"
      })
  void computeWhatTheySay(String formula, String expected) {
    assertThat(result(formula)).isEqualTo(expected);
  }

  @Test
  void sayWhereTheyAreWrongBeforeTheyRun() {
    Finding unknown = Formulas.of("lengt * 2", TYPES).findings().get(0);
    assertThat(unknown.code()).isEqualTo("FORMULA_WRONG");
    assertThat(unknown.arguments())
        .containsEntry("column", "1")
        .containsEntry("reason", "nothing here is called lengt");
    assertThat(Formulas.of("name * 2", TYPES).findings().get(0).arguments().get("column"))
        .isEqualTo("6");
    assertThat(Formulas.of("length *", TYPES).value()).isEmpty();
    assertThat(Formulas.of(" ", TYPES).findings().get(0).code()).isEqualTo("FORMULA_TEXT_NONE");
  }

  @Test
  void canNeitherHangNorBreakAnything() {
    String nested = "tons.all(a, ".repeat(8) + "true" + ")".repeat(8);
    assertThat(Formulas.of("(".repeat(500) + "1" + ")".repeat(500), TYPES).value()).isEmpty();
    assertThat(Formulas.of("1+".repeat(2_000) + "1", TYPES).value()).isEmpty();
    List<Value> many =
        java.util.Collections.nCopies(400, (Value) new NumberValue(new BigDecimal("1.5")));
    Outcome<Value> stopped = Formulas.of(nested, TYPES).get().compute(name -> new ListValue(many));
    assertThat(stopped.value()).as("a cost beyond the limit").isEmpty();
    assertThat(stopped.findings().get(0).code()).isEqualTo("FORMULA_RESULT_NONE");
    assertThat(
            Formulas.of("name.matches('(a{1000}){1000}')", TYPES)
                .get()
                .compute(name -> VALUES.get(name))
                .value())
        .as("a pattern that is too large")
        .isEmpty();
  }
}
