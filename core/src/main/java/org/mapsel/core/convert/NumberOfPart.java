package org.mapsel.core.convert;

import java.math.BigDecimal;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** The number of a year, a month or a day that stands by itself. */
final class NumberOfPart implements Conversion {

  /** XML Schema 1.0 part 2, sections 3.2.11 (gYear), 3.2.13 (gDay) and 3.2.14 (gMonth). */
  private static final Pattern PART =
      Pattern.compile("(?:(-?\\d{4,9})|--(\\d{2})|---(\\d{2}))(?:Z|[+-]\\d{2}:\\d{2})?");

  @Override
  public String id() {
    return "numberOfPart";
  }

  @Override
  public Set<ScalarType> from() {
    return Set.of(ScalarType.PARTIAL_DATE);
  }

  @Override
  public Set<ScalarType> to() {
    return Set.of(ScalarType.INTEGER, ScalarType.DECIMAL);
  }

  @Override
  public Risk risk() {
    return Risk.MAY_FAIL;
  }

  @Override
  public Value apply(Value value) {
    if (value instanceof TimeValue time) {
      Matcher part = PART.matcher(time.iso());
      if (part.matches()) {
        for (int group = 1; group <= part.groupCount(); group++) {
          if (part.group(group) != null) {
            return new NumberValue(new BigDecimal(part.group(group)));
          }
        }
      }
    }
    return Value.ABSENT;
  }
}
