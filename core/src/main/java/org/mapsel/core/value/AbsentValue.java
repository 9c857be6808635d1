package org.mapsel.core.value;

/** Not there. Use {@link Value#ABSENT}. */
public enum AbsentValue implements Value {
  INSTANCE
}
