package org.mapsel.core.value;

import org.mapsel.core.ref.FieldPath;

/** A value that was typed, sent or returned. */
public sealed interface Value
    permits TextValue,
        NumberValue,
        BooleanValue,
        TimeValue,
        BinaryValue,
        RecordValue,
        ListValue,
        NullValue,
        AbsentValue {

  /** Nothing was there at all; in a message it is left out. */
  Value ABSENT = AbsentValue.INSTANCE;

  /** It was there and said that it has no value. */
  Value NULL = NullValue.INSTANCE;

  static Value text(String text) {
    return new TextValue(text);
  }

  default boolean isAbsent() {
    return this == ABSENT;
  }

  /** The one value at the end of a path; see {@link Walker#one}. */
  default Value at(FieldPath path) {
    return Walker.of(path).one(this);
  }
}
