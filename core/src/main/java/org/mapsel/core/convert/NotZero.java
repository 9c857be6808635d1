package org.mapsel.core.convert;

import java.util.Set;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

/** No for 0, yes for any other number. */
final class NotZero implements Conversion {

  @Override
  public String id() {
    return "notZero";
  }

  @Override
  public Set<ScalarType> from() {
    return Types.NUMBERS;
  }

  @Override
  public Set<ScalarType> to() {
    return Set.of(ScalarType.BOOLEAN);
  }

  @Override
  public Risk risk() {
    return Risk.LOSES;
  }

  @Override
  public Value apply(Value value) {
    return value instanceof NumberValue number
        ? BooleanValue.of(number.number().signum() != 0)
        : Value.ABSENT;
  }
}
