package org.mapsel.core.value;

/** True or false. */
public enum BooleanValue implements Value {
  TRUE,
  FALSE;

  public static BooleanValue of(boolean value) {
    return value ? TRUE : FALSE;
  }

  public boolean isTrue() {
    return this == TRUE;
  }
}
