package org.mapsel.core.convert;

import java.util.EnumSet;
import java.util.Set;
import org.mapsel.core.shape.ScalarType;

/** Simple types by what their values are. */
final class Types {

  static final Set<ScalarType> TEXTS =
      Set.copyOf(EnumSet.of(ScalarType.TEXT, ScalarType.URI, ScalarType.NAME, ScalarType.LIST));

  static final Set<ScalarType> NUMBERS =
      Set.copyOf(EnumSet.of(ScalarType.INTEGER, ScalarType.DECIMAL, ScalarType.FLOAT));

  static final Set<ScalarType> BYTES = Set.copyOf(EnumSet.of(ScalarType.BASE64, ScalarType.HEX));

  private Types() {}

  /** Whether values of one are values of the other as they stand. */
  static boolean isSame(ScalarType from, ScalarType to) {
    return from == to
        || TEXTS.contains(from) && TEXTS.contains(to)
        || BYTES.contains(from) && BYTES.contains(to)
        || from == ScalarType.INTEGER && NUMBERS.contains(to)
        || from == ScalarType.DECIMAL && to == ScalarType.FLOAT
        || from == ScalarType.FLOAT && to == ScalarType.DECIMAL;
  }
}
