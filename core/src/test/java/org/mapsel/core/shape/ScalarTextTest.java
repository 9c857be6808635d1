package org.mapsel.core.shape;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

class ScalarTextTest {

  /** What is read is written the same, or in the form that XML Schema calls for. */
  @ParameterizedTest
  @CsvSource({
    "INTEGER, 42, 42",
    "INTEGER, -7, -7",
    "INTEGER, 123456789012345678901234567890, 123456789012345678901234567890",
    "DECIMAL, 12.50, 12.50",
    "DECIMAL, .5, 0.5",
    "FLOAT, 1e3, 1000",
    "FLOAT, INF, INF",
    "BOOLEAN, 1, true",
    "DATE, 2031-05-14Z, 2031-05-14Z",
    "DATE_TIME, 2031-05-14T06:40, 2031-05-14T06:40:00",
    "DATE_TIME, 2031-05-14T06:40:00.5+02:00, 2031-05-14T06:40:00.5+02:00",
    "TIME, 06:40, 06:40:00",
    "TIME, 06:40Z, 06:40:00Z",
    "DURATION, PT1H30M, PT1H30M",
    "BASE64, TUFQ, TUFQ",
    "HEX, 4d41, 4D41",
  })
  void goodTextsAreRead(ScalarType type, String text, String written) {
    assertThat(ScalarText.parse(type, text))
        .map(value -> ScalarText.print(type, value))
        .contains(written);
  }

  @ParameterizedTest
  @CsvSource({
    "INTEGER, 4.5",
    "INTEGER, -",
    "INTEGER, ''",
    "DECIMAL, 1e3",
    "DECIMAL, '1,5'",
    "FLOAT, 1e999999999",
    "BOOLEAN, yes",
    "DATE, 14.05.2031",
    "DATE_TIME, 2031-05-14",
    "DURATION, P",
    "DURATION, PT",
    "HEX, 4d4",
  })
  void badTextsAreNot(ScalarType type, String text) {
    assertThat(ScalarText.parse(type, text)).isEmpty();
  }

  @Test
  void numbersAreWhatTheirDigitsSay() {
    Random random = new Random(3);
    for (int i = 0; i < 5_000; i++) {
      int length = 1 + random.nextInt(22);
      StringBuilder text = new StringBuilder(random.nextBoolean() ? "-" : "");
      int point = random.nextInt(length + 3) - 1;
      for (int k = 0; k < length; k++) {
        text.append(k == point ? "." : "").append((char) ('0' + random.nextInt(10)));
      }
      Value expected = new NumberValue(new BigDecimal(text.toString()));
      assertThat(ScalarText.parse(ScalarType.DECIMAL, text.toString())).contains(expected);
      assertThat(ScalarText.parse(ScalarType.FLOAT, text.toString())).contains(expected);
    }
    for (String none : List.of("", "-", "1.2.3", "1-2", "--1", "1,5", "one")) {
      assertThat(ScalarText.parse(ScalarType.DECIMAL, none)).as(none).isEmpty();
    }
    assertThat(ScalarText.parse(ScalarType.INTEGER, "1.0")).isEmpty();
  }
}
