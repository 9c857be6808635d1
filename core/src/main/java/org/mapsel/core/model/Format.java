package org.mapsel.core.model;

import java.util.Optional;

/** How a value is shown. */
public sealed interface Format {

  /** As it is written. */
  record Plain() implements Format {}

  /** A text of many lines. */
  record LongText() implements Format {}

  /**
   * A number.
   *
   * @param digits behind the point; as many as the value has if nothing is said
   * @param grouped whether thousands are set apart
   * @param signed whether a plus stands before positive ones
   */
  record Number(Optional<Integer> digits, boolean grouped, boolean signed) implements Format {}

  /**
   * An amount of money.
   *
   * @param currency as in ISO 4217
   */
  record Money(String currency) implements Format {}

  /** A day. */
  record Date(Length length) implements Format {}

  /** A time of day. */
  record Time(boolean seconds) implements Format {}

  /**
   * A day and a time.
   *
   * @param zone the zone that it is shown in, as in the IANA database; as it is written if nothing
   *     is said
   */
  record DateTime(Length length, Optional<String> zone) implements Format {}

  /** Yes or no, in words. */
  record YesNo(String yes, String no) implements Format {}

  /** Bytes: a picture if they are one, else something to download. */
  record Picture() implements Format {}

  /** An address to open. */
  record Link() implements Format {}

  /** A number to ring. */
  record Telephone() implements Format {}

  /** An address to write to. */
  record Mail() implements Format {}

  /**
   * A bar that fills.
   *
   * @param full the number at which it is full
   */
  record Progress(double full) implements Format {}

  /** How much room a day may take. */
  enum Length {
    SHORT,
    MEDIUM,
    LONG
  }
}
