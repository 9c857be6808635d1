package org.mapsel.core.value;

import java.util.List;

/** The items of a repeated field, in order. */
public record ListValue(List<Value> items) implements Value {

  public ListValue {
    items = List.copyOf(items);
  }

  public static ListValue of(Value... items) {
    return new ListValue(List.of(items));
  }
}
