package org.mapsel.core.pairing;

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

  Evidence of(Described left, Described right);
}
