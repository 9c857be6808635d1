package org.mapsel.server.samples;

/** What became of an exchange, by the class of its status (RFC 9110, section 15). */
public enum Outcome {
  /** With what was asked for, or a word where it is: any status before 400. */
  ANSWERED,
  /** In any of the ways below. */
  FAILED,
  /** The service found the request wrong: 400 to 499. */
  REFUSED,
  /** The service could not do it: 500 and up. */
  BROKEN,
  /** Nothing that can be read as an answer came. */
  UNANSWERED
}
