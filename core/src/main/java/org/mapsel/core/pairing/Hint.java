package org.mapsel.core.pairing;

import java.util.Locale;

/** One thing that two fields may have in common. */
interface Hint {

  /**
   * What it says for or against a pair.
   *
   * @param logOdds more than 0 for it, less against it
   * @param reason in words; empty if it would tell nobody anything
   */
  record Evidence(double logOdds, String reason) {
    static final Evidence NONE = new Evidence(0, "");
  }

  /** By what it is called where hints are compared. */
  default String name() {
    return getClass().getSimpleName().replace("Hint", "").toLowerCase(Locale.ROOT);
  }

  Evidence of(Described left, Described right);
}
