package org.mapsel.core.value;

/**
 * A date, time, date and time, or part of one, kept as it was written (ISO 8601), so that a missing
 * zone stays missing.
 */
public record TimeValue(Kind kind, String iso) implements Value {

  /** Which parts the value has. */
  public enum Kind {
    DATE,
    TIME,
    DATE_TIME,
    DURATION,
    /** A year, month, day or a pair of them. */
    PARTIAL
  }
}
