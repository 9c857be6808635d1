package org.mapsel.core.finding;

/** How much a finding matters. */
public enum Severity {
  /** Something cannot be used as it is. */
  ERROR,
  /** It works, but probably not as meant. */
  WARNING,
  /** Good to know. */
  NOTE
}
