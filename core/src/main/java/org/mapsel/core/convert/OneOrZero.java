package org.mapsel.core.convert;

import java.util.Set;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

/** Yes as 1, no as 0. */
final class OneOrZero implements Conversion {

  @Override
  public String id() {
    return "oneOrZero";
  }

  @Override
  public Set<ScalarType> from() {
    return Set.of(ScalarType.BOOLEAN);
  }

  @Override
  public Set<ScalarType> to() {
    return Types.NUMBERS;
  }

  @Override
  public Risk risk() {
    return Risk.NONE;
  }

  @Override
  public Value apply(Value value) {
    return value instanceof BooleanValue yes ? NumberValue.of(yes.isTrue() ? 1 : 0) : Value.ABSENT;
  }
}
