package org.mapsel.core.pairing;

/** How sure a pair is. */
public enum Grade {
  /** It can be used as it is. */
  SURE,
  /** It can be used, and somebody should look at it. */
  LIKELY,
  /** It is worth offering, no more. */
  GUESS
}
