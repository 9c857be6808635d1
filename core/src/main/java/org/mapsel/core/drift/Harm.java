package org.mapsel.core.drift;

/** What a difference does to those who use the old edition; the worst first. */
public enum Harm {
  /** What was built on it does not work any more. */
  BREAKS,
  /** It works as long as something does not happen. */
  MAY_BREAK,
  /** Nothing that was built notices. */
  ADDS
}
