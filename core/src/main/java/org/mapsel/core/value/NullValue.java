package org.mapsel.core.value;

/** Explicitly no value. Use {@link Value#NULL}. */
public enum NullValue implements Value {
  INSTANCE
}
