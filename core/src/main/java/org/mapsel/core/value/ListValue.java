package org.mapsel.core.value;

import java.util.List;
import java.util.Optional;

/** The items of a repeated field, in order. */
public record ListValue(List<Value> items) implements Value {

  public ListValue {
    items = items instanceof Rows ? items : List.copyOf(items);
  }

  public static ListValue of(Value... items) {
    return new ListValue(List.of(items));
  }

  /** A simple value as it is written; nothing for any other one. */
  public static Optional<String> plain(Value value) {
    return switch (value) {
      case TextValue text -> Optional.of(text.text());
      case NumberValue number -> Optional.of(number.number().toPlainString());
      case TimeValue time -> Optional.of(time.iso());
      default -> Optional.empty();
    };
  }
}
