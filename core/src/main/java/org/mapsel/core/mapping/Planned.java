package org.mapsel.core.mapping;

import java.util.function.Function;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.Value;

/**
 * A mapping that was checked: how to read its value, and what that is.
 *
 * @param reader never throws, whatever is in the scope
 */
public record Planned(Mapping mapping, ValueType type, Function<Scope, Value> reader) {

  /** The value, {@link Value#ABSENT} if there is none. */
  public Value value(Scope scope) {
    return reader.apply(scope);
  }
}
