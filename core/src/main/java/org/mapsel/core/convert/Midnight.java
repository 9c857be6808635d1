package org.mapsel.core.convert;

import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** The beginning of a day. */
final class Midnight implements Conversion {

  /** A day in a zone of its own has no beginning that could be written without it. */
  private static final Pattern ZONED = Pattern.compile("(Z|[+-]\\d{2}:\\d{2})$");

  @Override
  public String id() {
    return "midnight";
  }

  @Override
  public Set<ScalarType> from() {
    return Set.of(ScalarType.DATE);
  }

  @Override
  public Set<ScalarType> to() {
    return Set.of(ScalarType.DATE_TIME);
  }

  @Override
  public Risk risk() {
    return Risk.MAY_FAIL;
  }

  @Override
  public Value apply(Value value) {
    return value instanceof TimeValue time && !ZONED.matcher(time.iso()).find()
        ? new TimeValue(TimeValue.Kind.DATE_TIME, time.iso() + "T00:00:00")
        : Value.ABSENT;
  }
}
