package org.mapsel.core.page;

import java.util.Optional;
import org.mapsel.core.ref.PartId;

/**
 * How a part stands on the page.
 *
 * @param whenEmpty what it says when there is nothing to show; empty for the usual words
 * @param buildersOnly whether only those see it who build the page
 * @param within the part that it stands in: a group, or, for a button, a table or a list in whose
 *     every row it is drawn; nothing for the page itself
 */
public record Frame(Width width, String whenEmpty, boolean buildersOnly, Optional<PartId> within) {

  public static final Frame USUAL = of(Width.FULL);

  /** How much of the page's width it takes; narrow parts in a row stand side by side. */
  public enum Width {
    FULL,
    TWO_THIRDS,
    HALF,
    THIRD,
    /** As much as its content needs. */
    CONTENT
  }

  public static Frame of(Width width) {
    return new Frame(width, "", false, Optional.empty());
  }

  public Frame within(Optional<PartId> other) {
    return new Frame(width, whenEmpty, buildersOnly, other);
  }
}
