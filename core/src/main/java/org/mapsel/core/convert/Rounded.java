package org.mapsel.core.convert;

import java.math.RoundingMode;
import java.util.Set;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

/** A number without what stands behind its point, rounded half up. */
final class Rounded implements Conversion {

  @Override
  public String id() {
    return "rounded";
  }

  @Override
  public Set<ScalarType> from() {
    return Set.of(ScalarType.DECIMAL, ScalarType.FLOAT);
  }

  @Override
  public Set<ScalarType> to() {
    return Set.of(ScalarType.INTEGER);
  }

  @Override
  public Risk risk() {
    return Risk.LOSES;
  }

  @Override
  public Value apply(Value value) {
    return value instanceof NumberValue number
        ? new NumberValue(number.number().setScale(0, RoundingMode.HALF_UP))
        : Value.ABSENT;
  }
}
