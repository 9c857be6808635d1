package org.mapsel.core.page.run;

import java.util.List;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.Value;

/** The rows of a table. */
public final class Rows {

  private Rows() {}

  /** The items of a list; one value that is no list is one row. */
  public static List<Value> of(Value value) {
    return value instanceof ListValue list
        ? list.items()
        : value.isAbsent() || value == Value.NULL ? List.of() : List.of(value);
  }
}
