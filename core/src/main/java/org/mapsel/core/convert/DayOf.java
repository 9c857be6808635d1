package org.mapsel.core.convert;

import java.util.Set;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** The day of a date and time, in the zone that it is written in. */
final class DayOf implements Conversion {

  @Override
  public String id() {
    return "dayOf";
  }

  @Override
  public Set<ScalarType> from() {
    return Set.of(ScalarType.DATE_TIME);
  }

  @Override
  public Set<ScalarType> to() {
    return Set.of(ScalarType.DATE);
  }

  @Override
  public Risk risk() {
    return Risk.LOSES;
  }

  @Override
  public Value apply(Value value) {
    return value instanceof TimeValue time && time.iso().indexOf('T') > 0
        ? new TimeValue(TimeValue.Kind.DATE, time.iso().substring(0, time.iso().indexOf('T')))
        : Value.ABSENT;
  }
}
