package org.mapsel.core.shape;

import java.util.Set;
import java.util.regex.Pattern;

/** What type a text looks to be of, where nobody has said so. */
public final class ScalarGuess {

  private static final Pattern DATE = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");
  private static final Pattern DATE_TIME =
      Pattern.compile(
          "\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}(:\\d{2}(\\.\\d+)?)?(Z|[+-]\\d{2}:\\d{2})?");

  /** Leading zeros make a code of it, which must keep them. */
  private static final Pattern WHOLE = Pattern.compile("-?(0|[1-9]\\d{0,17})");

  private static final Pattern DECIMAL = Pattern.compile("-?(0|[1-9]\\d{0,17})\\.\\d{1,18}");

  private static final Set<ScalarType> NUMBERS =
      Set.of(ScalarType.INTEGER, ScalarType.DECIMAL, ScalarType.FLOAT);

  private ScalarGuess() {}

  public static ScalarType of(String text) {
    if (text.equals("true") || text.equals("false")) {
      return ScalarType.BOOLEAN;
    }
    if (DATE_TIME.matcher(text).matches()) {
      return ScalarType.DATE_TIME;
    }
    if (DATE.matcher(text).matches()) {
      return ScalarType.DATE;
    }
    return WHOLE.matcher(text).matches()
        ? ScalarType.INTEGER
        : DECIMAL.matcher(text).matches() ? ScalarType.DECIMAL : ScalarType.TEXT;
  }

  /** What takes the values of both. */
  public static ScalarType both(ScalarType one, ScalarType other) {
    if (one == other) {
      return one;
    }
    if (!NUMBERS.containsAll(Set.of(one, other))) {
      return ScalarType.TEXT;
    }
    return one == ScalarType.FLOAT || other == ScalarType.FLOAT
        ? ScalarType.FLOAT
        : ScalarType.DECIMAL;
  }
}
