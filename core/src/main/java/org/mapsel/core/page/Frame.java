package org.mapsel.core.page;

/**
 * How a part stands on the page.
 *
 * @param whenEmpty what it says when there is nothing to show; empty for the usual words
 * @param buildersOnly whether only those see it who build the page
 */
public record Frame(Width width, String whenEmpty, boolean buildersOnly) {

  public static final Frame USUAL = new Frame(Width.FULL, "", false);

  /** How much of the page's width it takes; narrow parts in a row stand side by side. */
  public enum Width {
    FULL,
    TWO_THIRDS,
    HALF,
    THIRD,
    /** As much as its content needs. */
    CONTENT
  }
}
