package org.mapsel.core.verify;

import org.mapsel.core.ref.FieldPath;

/**
 * One thing that is not as it was.
 *
 * @param path the field; the root if the answer as a whole is meant
 * @param expected and {@code actual} in words
 */
public record Deviation(Kind kind, FieldPath path, String expected, String actual) {

  /** What is not as it was. */
  public enum Kind {
    /** A field that had a value has none. */
    MISSING,
    /** A field has a value of another type. */
    TYPE,
    /** A field has another value. */
    VALUE,
    /** A list has more or fewer items. */
    COUNT,
    /** It worked and does not any more, or the other way round, or fails otherwise. */
    OUTCOME,
    /** It took too long. */
    TIME
  }
}
