package org.mapsel.core.serve;

import java.util.List;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What rows must be like to be wanted. */
public sealed interface RowCondition {

  /** Every row is. */
  RowCondition ALL = new Every(List.of());

  /** How two values are compared. */
  enum Comparison {
    EQ,
    NE,
    LT,
    LE,
    GT,
    GE
  }

  /** All of them hold; true if there are none. */
  record Every(List<RowCondition> conditions) implements RowCondition {}

  /** One of them holds at least. */
  record Any(List<RowCondition> conditions) implements RowCondition {}

  /** It does not hold. */
  record Not(RowCondition condition) implements RowCondition {}

  /** Two terms compare so. Nothing is equal to nothing alone, and neither less nor greater. */
  record Compare(RowTerm left, Comparison comparison, RowTerm right) implements RowCondition {}

  /** A term is true by itself. */
  record Holds(RowTerm term) implements RowCondition {}

  /** The rows with this value in a field. */
  static RowCondition equal(String field, Value value) {
    return new Compare(
        new RowTerm.Column(FieldPath.of(field)), Comparison.EQ, new RowTerm.Constant(value));
  }

  /** Whether it holds for a row. */
  default boolean test(RecordValue row) {
    return switch (this) {
      case Every every -> every.conditions().stream().allMatch(one -> one.test(row));
      case Any any -> any.conditions().stream().anyMatch(one -> one.test(row));
      case Not not -> !not.condition().test(row);
      case Compare compare ->
          compare(compare.left().of(row), compare.comparison(), compare.right().of(row));
      case Holds holds -> holds.term().of(row) == BooleanValue.TRUE;
    };
  }

  private static boolean compare(Value left, Comparison comparison, Value right) {
    if (left == Value.NULL || right == Value.NULL) {
      boolean same = left == right;
      return comparison == Comparison.EQ ? same : comparison == Comparison.NE && !same;
    }
    int order = order(left, right);
    return switch (comparison) {
      case EQ -> order == 0;
      case NE -> order != 0;
      case LT -> order < 0;
      case LE -> order <= 0;
      case GT -> order > 0;
      case GE -> order >= 0;
    };
  }

  /** Numbers by size, everything else as it is written, which is right for dates and times too. */
  static int order(Value left, Value right) {
    return left instanceof NumberValue one && right instanceof NumberValue other
        ? one.number().compareTo(other.number())
        : ScalarText.print(left).compareTo(ScalarText.print(right));
  }
}
