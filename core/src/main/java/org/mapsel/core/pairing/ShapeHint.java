package org.mapsel.core.pairing;

/** Keys, units, and how often fields stand in their record. */
final class ShapeHint implements Hint {

  @Override
  public Evidence of(Described left, Described right) {
    PairingField one = left.field();
    PairingField other = right.field();
    double sum = one.repeated() == other.repeated() ? 0.1 : -0.7;
    String reason = "";
    if (one.key() && other.key()) {
      sum += 1;
      reason = "both are keys";
    } else if (one.key() != other.key()) {
      sum -= 0.2;
    }
    if (!one.unit().isEmpty() && !other.unit().isEmpty()) {
      boolean same = one.unit().equalsIgnoreCase(other.unit());
      sum += same ? 0.8 : -0.5;
      reason = same ? "same unit" : reason;
    }
    return new Evidence(sum, reason);
  }
}
