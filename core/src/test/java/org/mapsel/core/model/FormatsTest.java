package org.mapsel.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Values in words. */
class FormatsTest {

  private static final Formats ENGLISH = new Formats(Locale.UK);

  private static Look look(ScalarType type, Format format, Choice... choices) {
    return new Look(
        type,
        "",
        "",
        format,
        "",
        Optional.empty(),
        false,
        false,
        false,
        false,
        List.of(choices),
        "",
        "");
  }

  private static Value number(String digits) {
    return new NumberValue(new BigDecimal(digits));
  }

  private static String shown(Value value, Format format) {
    ScalarType type =
        switch (value) {
          case NumberValue number -> ScalarType.DECIMAL;
          case BooleanValue yes -> ScalarType.BOOLEAN;
          case TimeValue time -> ScalarType.DATE_TIME;
          default -> ScalarType.TEXT;
        };
    return ENGLISH.show(value, look(type, format)).replace('\u202f', ' ');
  }

  private static Format.Number digits(int digits) {
    return new Format.Number(Optional.of(digits), true, false);
  }

  @Test
  void numbersKeepTheirDigitsUnlessSomebodySaysHowMany() {
    Format usual = new Format.Number(Optional.empty(), true, false);

    assertThat(shown(number("12.50"), usual)).isEqualTo("12.50");
    assertThat(shown(number("2031"), usual)).as("may be a year").isEqualTo("2031");
    assertThat(shown(number("12345678901234567890.1"), usual))
        .isEqualTo("12,345,678,901,234,567,890.1");
    assertThat(shown(number("12.345"), digits(1))).isEqualTo("12.3");
    assertThat(shown(number("0.05"), digits(1))).isEqualTo("0.1");
    assertThat(shown(number("3"), new Format.Number(Optional.empty(), false, true)))
        .isEqualTo("+3");
    assertThat(shown(number("1500"), new Format.Money("EUR"))).isEqualTo("€1,500.00");
    assertThat(shown(number("7"), new Format.Money("Shells"))).isEqualTo("7 Shells");
    assertThat(new Formats(Locale.GERMANY).show(number("12345.5"), look(ScalarType.DECIMAL, usual)))
        .isEqualTo("12.345,5");
  }

  @Test
  void timesStayInTheirZoneUnlessSomebodyNamesOne() {
    Value eta = new TimeValue(TimeValue.Kind.DATE_TIME, "2031-05-14T23:40:00+02:00");

    assertThat(shown(eta, new Format.DateTime(Format.Length.MEDIUM, Optional.empty())))
        .isEqualTo("14 May 2031, 23:40");
    assertThat(shown(eta, new Format.DateTime(Format.Length.MEDIUM, Optional.of("Asia/Tokyo"))))
        .isEqualTo("15 May 2031, 06:40");
    assertThat(shown(eta, new Format.Time(false))).isEqualTo("23:40");
    assertThat(shown(eta, new Format.Date(Format.Length.LONG))).isEqualTo("14 May 2031");
    assertThat(
            shown(
                new TimeValue(TimeValue.Kind.DATE, "2031-02-30"),
                new Format.Date(Format.Length.MEDIUM)))
        .as("no calendar has it")
        .isEqualTo("2031-02-30");
  }

  @ParameterizedTest
  @CsvSource({
    "PT1H, 1 h",
    "PT1H30M, 1 h 30 min",
    "P2DT0H15M, 2 d 15 min",
    "P1Y6M, 1 y 6 mo",
    "P3W, 3 wk",
    "-PT2.50S, −2.50 s",
    "PT0H, 0 h",
    "PT90000M, '90,000 min'",
    "P, P",
    "soon, soon"
  })
  void durationsAreTheirPartsInWords(String iso, String words) {
    assertThat(shown(new TimeValue(TimeValue.Kind.DURATION, iso), new Format.Plain()))
        .isEqualTo(words);
  }

  @Test
  void textsAreReadAsWhatTheirTypeSays() {
    Look day = look(ScalarType.DATE, new Format.Date(Format.Length.MEDIUM));

    assertThat(ENGLISH.show(Value.text("2031-05-14"), day)).isEqualTo("14 May 2031");
    assertThat(ENGLISH.show(Value.text("soon"), day)).isEqualTo("soon");
  }

  @Test
  void codesBecomeTheirWords() {
    Look state =
        look(ScalarType.TEXT, new Format.Plain(), new Choice("D", "due"), new Choice("1", "one"));

    assertThat(ENGLISH.show(Value.text("D"), state)).isEqualTo("due");
    assertThat(ENGLISH.show(Value.text("X"), state)).isEqualTo("X");
    assertThat(ENGLISH.show(ListValue.of(Value.text("D"), number("1")), state))
        .isEqualTo("due, one");
    assertThat(
            ENGLISH.show(
                BooleanValue.TRUE, look(ScalarType.BOOLEAN, new Format.YesNo("on", "off"))))
        .isEqualTo("on");
  }
}
