package org.mapsel.core.mapping;

import java.util.function.UnaryOperator;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.Value;

/** How the value of a derived field is made of its record, and what it is. */
public record Derivation(ValueType type, UnaryOperator<Value> maker) {

  /** The value, {@link Value#ABSENT} if it cannot be made. */
  public Value of(Value record) {
    return maker.apply(record);
  }
}
