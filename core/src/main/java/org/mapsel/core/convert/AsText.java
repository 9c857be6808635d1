package org.mapsel.core.convert;

import java.util.Set;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Numbers, times and yes or no as they are written in messages. */
final class AsText implements Conversion {

  private static final Set<ScalarType> FROM =
      Set.of(
          ScalarType.INTEGER,
          ScalarType.DECIMAL,
          ScalarType.FLOAT,
          ScalarType.BOOLEAN,
          ScalarType.DATE,
          ScalarType.TIME,
          ScalarType.DATE_TIME,
          ScalarType.DURATION,
          ScalarType.PARTIAL_DATE);

  @Override
  public String id() {
    return "asText";
  }

  @Override
  public Set<ScalarType> from() {
    return FROM;
  }

  @Override
  public Set<ScalarType> to() {
    return Types.TEXTS;
  }

  @Override
  public Risk risk() {
    return Risk.NONE;
  }

  @Override
  public Value apply(Value value) {
    return value instanceof BooleanValue yes
        ? new TextValue(String.valueOf(yes.isTrue()))
        : ListValue.plain(value).<Value>map(TextValue::new).orElse(Value.ABSENT);
  }
}
