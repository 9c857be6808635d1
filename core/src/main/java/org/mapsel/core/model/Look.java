package org.mapsel.core.model;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;

/**
 * What a field is called and how it looks, with everything that was said of it taken together.
 *
 * @param type the type of its values
 * @param unit empty where it counts nothing
 * @param order empty where nobody decided
 * @param choices codes and their words, none where any value may stand
 * @param personal whether it tells of a person
 * @param empty what is shown where there is no value
 * @param within what is around the field, where its label alone does not tell it apart from others;
 *     empty elsewhere
 */
public record Look(
    ScalarType type,
    String label,
    String help,
    Format format,
    String unit,
    Optional<Integer> order,
    boolean key,
    boolean title,
    boolean hidden,
    boolean personal,
    List<Choice> choices,
    String empty,
    String within) {

  public Look {
    choices = List.copyOf(choices);
  }

  /** How words are written that stand for no field. */
  public static Look words(ValueType type) {
    ScalarType scalar = type.scalar().orElse(ScalarType.TEXT);
    return new Look(
        scalar,
        "",
        "",
        Looks.usual(scalar, false),
        "",
        Optional.empty(),
        false,
        false,
        false,
        false,
        List.of(),
        "",
        "");
  }

  /** The same with other values to choose from. */
  public Look withChoices(List<Choice> other) {
    return new Look(
        type, label, help, format, unit, order, key, title, hidden, personal, other, empty, within);
  }

  /** The same where other words are needed to tell it apart. */
  public Look within(String other) {
    return new Look(
        type, label, help, format, unit, order, key, title, hidden, personal, choices, empty,
        other);
  }

  /** The label with what tells it apart. */
  public String fullLabel() {
    return within.isEmpty() ? label : within + " › " + label;
  }

  /** The full label with the unit, as a form or a heading has it. */
  public String heading() {
    return unit.isEmpty() || label.contains("(" + unit + ")")
        ? fullLabel()
        : fullLabel() + " (" + unit + ")";
  }
}
