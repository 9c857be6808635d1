package org.mapsel.core.page;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.mapsel.core.ref.PartId;

/**
 * How a part stands on the page.
 *
 * @param words what it says when it has nothing to show
 * @param buildersOnly whether only those see it who build the page
 * @param within the part that it stands in: a group, or, for a button, a table or a list in whose
 *     every row it is drawn; nothing for the page itself
 */
public record Frame(Width width, StateWords words, boolean buildersOnly, Optional<PartId> within) {

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

  /**
   * What a part says that has nothing to show; empty for the usual words.
   *
   * @param before before anything was asked
   * @param waiting while a service is waited for
   * @param empty when there is nothing
   * @param failed when it could not be fetched
   */
  public record StateWords(String before, String waiting, String empty, String failed) {

    public static final StateWords USUAL = new StateWords("", "", "", "");

    public StateWords {
      Objects.requireNonNull(before);
      Objects.requireNonNull(waiting);
      Objects.requireNonNull(empty);
      Objects.requireNonNull(failed);
    }

    public List<String> all() {
      return List.of(before, waiting, empty, failed);
    }
  }

  public Frame {
    Objects.requireNonNull(words);
  }

  public static Frame of(Width width) {
    return new Frame(width, StateWords.USUAL, false, Optional.empty());
  }

  public Frame within(Optional<PartId> other) {
    return new Frame(width, words, buildersOnly, other);
  }
}
