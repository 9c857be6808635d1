package org.mapsel.core.page.kind;

import java.util.Optional;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Looks;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.shape.ScalarType;

/**
 * How an input is drawn and what it insists on.
 *
 * @param several whether it takes any number of values
 */
public record InputLook(Input.Kind kind, Look look, boolean required, boolean several) {

  /** What the parameter that an input fills says, then the model, then the page. */
  public static InputLook of(PageReach reach, Looks looks, Input input) {
    Optional<FieldBehind.Described> field = reach.subject(input);
    Look look =
        field
            .map(behind -> behind.look(looks, input.only()))
            .map(known -> offered(reach, input, known))
            .orElseGet(() -> looks.of(nameOf(input), ScalarType.TEXT, input.only()));
    Input.Kind kind =
        input
            .kind()
            .or(() -> input.options().map(options -> Input.Kind.CHOICE))
            .orElseGet(() -> InputKinds.usual(look));
    boolean needed = reach.filledBy(input.id()).stream().anyMatch(reach::isNeeded);
    boolean several =
        field.filter(behind -> behind.field().isRepeated()).isPresent()
            && InputKinds.takesSeveral(kind);
    boolean required = input.only().required().orElse(needed) && kind != Input.Kind.CHECKBOX;
    return new InputLook(kind, look, required, several);
  }

  /** The same where other words are needed to tell it apart. */
  public InputLook within(String words) {
    return new InputLook(kind, look.within(words), required, several);
  }

  /** Of several alternatives those are offered that can be sent. */
  private static Look offered(PageReach reach, Input input, Look look) {
    return reach.filledBy(input.id()).stream()
        .findFirst()
        .filter(reach.alternatives()::isChosen)
        .map(slot -> reach.alternatives().offered(slot))
        .map(
            names ->
                look.withChoices(
                    look.choices().stream()
                        .filter(choice -> names.contains(choice.code()))
                        .toList()))
        .orElse(look);
  }

  private static String nameOf(Input input) {
    return input.id().text().replaceFirst("_\\d+$", "");
  }
}
