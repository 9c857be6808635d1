package org.mapsel.core.value;

import java.math.BigDecimal;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The parts of a duration as it was written (ISO 8601-1, section 5.5.2.2), without those that are
 * not there: a month is no number of days.
 *
 * @param negative whether it goes back
 * @param parts how many of each unit, from the longest to the shortest
 */
public record WrittenDuration(boolean negative, Map<Unit, BigDecimal> parts) {

  /** What durations are counted in. */
  public enum Unit {
    YEARS("y", 31_556_952),
    MONTHS("mo", 2_629_746),
    WEEKS("wk", 604_800),
    DAYS("d", 86_400),
    HOURS("h", 3_600),
    MINUTES("min", 60),
    SECONDS("s", 1);

    private final String symbol;
    private final BigDecimal seconds;

    Unit(String symbol, long seconds) {
      this.symbol = symbol;
      this.seconds = BigDecimal.valueOf(seconds);
    }

    /** What stands behind a number of these. */
    public String symbol() {
      return symbol;
    }
  }

  /** Digits are few enough for their number to be made quickly, whoever wrote them. */
  private static final Pattern WRITTEN =
      Pattern.compile(
          "([+-]?)P(?=.)"
              + part("Y")
              + part("M")
              + part("W")
              + part("D")
              + "(?:T(?=.)"
              + part("H")
              + part("M")
              + part("S")
              + ")?");

  private static String part(String letter) {
    return "(?:(\\d{1,18}(?:[.,]\\d{1,18})?)" + letter + ")?";
  }

  /** Reads a duration; nothing if the text is none. */
  public static Optional<WrittenDuration> of(String iso) {
    Matcher matcher = WRITTEN.matcher(iso);
    if (!matcher.matches()) {
      return Optional.empty();
    }
    Map<Unit, BigDecimal> parts = new EnumMap<>(Unit.class);
    for (Unit unit : Unit.values()) {
      String digits = matcher.group(unit.ordinal() + 2);
      if (digits != null) {
        parts.put(unit, new BigDecimal(digits.replace(',', '.')));
      }
    }
    return Optional.of(new WrittenDuration(matcher.group(1).equals("-"), parts));
  }

  /** How long it is in seconds, with years and months of the usual length: good for an order. */
  public BigDecimal seconds() {
    BigDecimal sum =
        parts.entrySet().stream()
            .map(part -> part.getValue().multiply(part.getKey().seconds))
            .reduce(BigDecimal.ZERO, BigDecimal::add);
    return negative ? sum.negate() : sum;
  }
}
