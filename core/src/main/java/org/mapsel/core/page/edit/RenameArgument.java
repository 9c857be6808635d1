package org.mapsel.core.page.edit;

import java.util.Optional;
import java.util.regex.Pattern;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;

/** Gives what a page is opened with another name, wherever it is named. */
public record RenameArgument(PageId page, String argument, String name) implements AppEdit {

  /** It stands in addresses and in formulas. */
  private static final Pattern FITTING = Pattern.compile("[A-Za-z_]\\w{0,59}");

  @Override
  public String title() {
    return "Rename " + argument + " to " + name.strip();
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Arguments.refuseUnknown(known, argument);
    String wished = name.strip();
    if (!FITTING.matcher(wished).matches() || wished.equals(Reaction.CONDITION)) {
      throw new EditRefused(Finding.error("APP_ARGUMENT_NAME_WRONG", "name", wished));
    }
    if (wished.equals(argument)) {
      return editing.app();
    }
    if (known.argument(wished).isPresent()) {
      throw new EditRefused(Finding.error("APP_ARGUMENT_NAME_TAKEN", "name", wished));
    }
    Page renamed =
        known.withArguments(
            known.arguments().stream()
                .map(
                    one ->
                        one.name().equals(argument)
                            ? new Argument(wished, one.record(), one.scalar())
                            : one)
                .toList());
    PageReach reach = editing.reach(known);
    for (Slot slot : known.slots()) {
      Source source = source(slot.mapping().source(), wished, reach.of(slot.id()));
      if (!source.equals(slot.mapping().source())) {
        renamed = renamed.with(slot.id(), Optional.of(slot.mapping().with(source)));
      }
    }
    return Arguments.handed(
        editing.app().with(renamed),
        page,
        argument,
        (step, mapping) -> Arguments.handing(step, wished, Optional.of(mapping)));
  }

  private Source source(Source source, String wished, Reach around) {
    return switch (source) {
      case Source.Argument one ->
          one.name().equals(argument) ? new Source.Argument(wished, one.path()) : one;
      case Source.Derived derived ->
          new Source.Derived(source(derived.record(), wished, around), derived.field());
      case Source.Formula formula ->
          new Source.Formula(
              new FollowedWay(FieldPath.of(argument), FieldPath.of(wished))
                  .formula(formula.text(), names -> names.size() == 1 && isMeant(around)));
      default -> source;
    };
  }

  /** Whether a formula means the argument by its name, and not something nearer. */
  private boolean isMeant(Reach around) {
    return around.variables().get(argument) instanceof Source.Argument one
        && one.name().equals(argument);
  }
}
