package org.mapsel.core.page.edit;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.PageId;

/** What pages are opened with, and the steps that hand it to them. */
final class Arguments {

  private Arguments() {}

  static void refuseUnknown(Page page, String argument) {
    if (page.argument(argument).isEmpty()) {
      throw new EditRefused(
          Finding.error("APP_ARGUMENT_MISSING", "argument", argument, "page", page.name()));
    }
  }

  /** A step that goes to a page and hands something to it. */
  static Reaction.Step handing(Reaction.Step going, String argument, Optional<Mapping> mapping) {
    Action.GoTo go = (Action.GoTo) going.action();
    Set<String> names = new TreeSet<>(go.arguments());
    mapping.ifPresentOrElse(some -> names.add(argument), () -> names.remove(argument));
    return going.with(new Action.GoTo(go.page(), names)).with(argument, mapping);
  }

  /**
   * The app in which every step that hands something to a page does so otherwise.
   *
   * @param otherwise is given the step without it, and what it handed on
   */
  static App handed(
      App app,
      PageId page,
      String argument,
      BiFunction<Reaction.Step, Mapping, Reaction.Step> otherwise) {
    App changed = app;
    for (Page other : app.pages()) {
      Page after = other;
      for (Reaction reaction : other.reactions()) {
        for (Reaction.Step step : reaction.all().toList()) {
          Mapping mapping = step.slots().get(argument);
          if (mapping != null
              && step.action() instanceof Action.GoTo go
              && go.page().equals(page)) {
            Reaction current = after.reaction(reaction.id()).orElseThrow();
            Reaction.Step without = handing(step, argument, Optional.empty());
            after = after.with(current.with(otherwise.apply(without, mapping)));
          }
        }
      }
      changed = after == other ? changed : changed.with(after);
    }
    return changed;
  }
}
