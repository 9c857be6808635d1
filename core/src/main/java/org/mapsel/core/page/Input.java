package org.mapsel.core.page;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.PartId;

/**
 * A field of a form.
 *
 * @param choices what can be chosen, for {@link Kind#CHOICE}
 * @param initial what stands in it when the page opens
 * @param several whether it takes any number of values; pages from before it was asked do not say
 */
public record Input(
    PartId id,
    String label,
    Kind kind,
    boolean required,
    List<String> choices,
    String initial,
    String help,
    @Nullable Boolean several) {

  /** How a value is put in. */
  public enum Kind {
    TEXT,
    NUMBER,
    DATE,
    TIME,
    DATE_TIME,
    CHECKBOX,
    FILE,
    CHOICE
  }

  public Input {
    choices = List.copyOf(choices);
    several = Boolean.TRUE.equals(several);
  }

  public Input withLabel(String other) {
    return new Input(id, other, kind, required, choices, initial, help, several);
  }
}
