package org.mapsel.core.mapping;

import java.util.Optional;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;

/**
 * What a slot takes.
 *
 * @param type nothing where it takes anything, such as a cell of a table
 * @param several whether it takes more than one value
 */
public record Expected(Optional<ValueType> type, boolean several) {

  /** Anything, to be shown. */
  public static final Expected ANYTHING = new Expected(Optional.empty(), true);

  /** One simple value. */
  public static Expected one(ScalarType type) {
    return new Expected(Optional.of(new ValueType.Simple(type, false)), false);
  }

  public static Expected of(ValueType type) {
    return new Expected(Optional.of(type), type.several());
  }
}
