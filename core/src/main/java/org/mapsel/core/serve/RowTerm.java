package org.mapsel.core.serve;

import java.util.List;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Something in a filter that has a value for each row. */
public sealed interface RowTerm {

  /** A value that stands in the filter itself. */
  record Constant(Value value) implements RowTerm {}

  /** A field of the row. */
  record Column(FieldPath path) implements RowTerm {}

  /** A function over other terms. */
  record Apply(RowFunction function, List<RowTerm> arguments) implements RowTerm {}

  /** What it is for a row; null, not absent, where the row has nothing there. */
  default Value of(RecordValue row) {
    return switch (this) {
      case Constant constant -> constant.value();
      case Column column -> {
        Value value = row.at(column.path());
        yield value.isAbsent() ? Value.NULL : value;
      }
      case Apply apply ->
          apply.function().of(apply.arguments().stream().map(term -> term.of(row)).toList());
    };
  }
}
