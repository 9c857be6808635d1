package org.mapsel.core.verify;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.FieldPath;

/**
 * What must hold when an operation is asked once more.
 *
 * @param holds how much of the answer must be as it was
 * @param fields the fields that are compared, with all below them; none for all
 * @param ignored fields that are not compared, with all below them
 * @param unordered lists whose items may come in any order
 * @param tolerance how far numbers may be from each other
 * @param within how many milliseconds it may take
 */
public record Check(
    Holds holds,
    List<FieldPath> fields,
    List<FieldPath> ignored,
    List<FieldPath> unordered,
    BigDecimal tolerance,
    Optional<Long> within) {

  /** The same fields with values of the same types. */
  public static final Check SHAPE =
      new Check(Holds.SHAPE, List.of(), List.of(), List.of(), BigDecimal.ZERO, Optional.empty());

  /** How much must be as it was. */
  public enum Holds {
    /** Every field that had a value has one, of the same type. */
    SHAPE,
    /** The values too. */
    VALUES
  }

  public Check {
    fields = List.copyOf(fields);
    ignored = List.copyOf(ignored);
    unordered = List.copyOf(unordered);
  }

  boolean compares(FieldPath path) {
    return ignored.stream().noneMatch(path::startsWith)
        && (fields.isEmpty()
            || fields.stream().anyMatch(field -> path.startsWith(field) || field.startsWith(path)));
  }
}
