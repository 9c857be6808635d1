package org.mapsel.core.drift;

import java.util.Optional;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;

/**
 * One thing that differs.
 *
 * @param operation where, by its id in the old edition, or in the new one if it is new
 * @param side which way the field travels; nothing if the operation as a whole is meant
 * @param path the field, as the old edition has it; as the new one if it is new; the root if the
 *     operation as a whole is meant
 * @param renamed the field as it is called now, if it looks to be another name of the same
 * @param before and {@code after} what differs, in words; empty where one of them is not there; of
 *     an operation that is called otherwise its ids
 */
public record Difference(
    Harm harm,
    Kind kind,
    OperationId operation,
    Optional<Side> side,
    FieldPath path,
    Optional<FieldPath> renamed,
    String before,
    String after) {

  /** What the operation is called now. */
  public OperationId operationNow() {
    return kind == Kind.RENAMED && side.isEmpty() ? new OperationId(after) : operation;
  }

  /** Which way a field travels. */
  public enum Side {
    IN,
    OUT
  }

  /** What happened. */
  public enum Kind {
    REMOVED,
    ADDED,
    RENAMED,
    TYPE,
    CODES,
    LIMITS,
    REQUIRED,
    REPEATED,
    DOCUMENTATION,
    ADDRESS
  }
}
