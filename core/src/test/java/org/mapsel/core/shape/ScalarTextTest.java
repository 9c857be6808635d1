package org.mapsel.core.shape;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
}
