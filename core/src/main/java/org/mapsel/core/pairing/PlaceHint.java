package org.mapsel.core.pairing;

/** Where two fields stand in their sides. */
final class PlaceHint implements Hint {

  private static final double FULL = 0.6;

  @Override
  public Evidence of(Described left, Described right) {
    return new Evidence(FULL * (0.5 - Math.abs(left.place() - right.place())), "");
  }
}
