package org.mapsel.core.convert;

import java.util.Set;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.Value;

/** Makes a value of one type from a value of another. */
public interface Conversion {

  /** What can go wrong with a value of the right type. */
  enum Risk {
    NONE,
    /** Some values cannot be converted; they become {@link Value#ABSENT}. */
    MAY_FAIL,
    /** Part of what the value says is lost. */
    LOSES
  }

  /** What it is called where it is stored. */
  String id();

  /** The types that it takes. */
  Set<ScalarType> from();

  /** The types that it makes; it makes the same value for each of them. */
  Set<ScalarType> to();

  Risk risk();

  /** The converted value, {@link Value#ABSENT} if this one cannot be. Lists are never given. */
  Value apply(Value value);
}
