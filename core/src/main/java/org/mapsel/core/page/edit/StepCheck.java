package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;

/** Looks at what reactions wait for and do. */
final class StepCheck {

  /** More often than this nobody can look, and a service would suffer. */
  static final int LEAST_SECONDS = 5;

  private static final int MOST_SECONDS = 86_400;

  private StepCheck() {}

  static Reaction.Step step(Editing editing, Action action) {
    return Reaction.Step.of(new PartId(editing.ids().next("step")), action);
  }

  static Reaction reaction(Editing editing, Page page, ReactionId id) {
    return page.reaction(id)
        .orElseThrow(
            () -> new EditRefused(Finding.error("APP_REACTION_MISSING", "page", page.name())));
  }

  static Reaction reactionOf(Page page, PartId step) {
    return page.reactionOf(step)
        .orElseThrow(
            () -> new EditRefused(Finding.error("APP_REACTION_MISSING", "page", page.name())));
  }

  static void refuseUnknown(Editing editing, Page page, Trigger when) {
    switch (when) {
      case Trigger.Pressed pressed -> editing.part(page, pressed.button());
      case Trigger.Changed changed -> editing.item(page, changed.input());
      case Trigger.RowChosen chosen -> editing.part(page, chosen.part());
      case Trigger.Answered answered -> editing.call(page, answered.call());
      case Trigger.Every every -> {
        if (every.seconds() < LEAST_SECONDS || every.seconds() > MOST_SECONDS) {
          throw new EditRefused(
              Finding.error(
                  "APP_SECONDS_WRONG",
                  "least",
                  String.valueOf(LEAST_SECONDS),
                  "most",
                  String.valueOf(MOST_SECONDS)));
        }
      }
      case Trigger.Opened opened -> {}
      case Trigger.CameBack back -> {}
    }
  }

  static void refuseUnknown(Editing editing, Page page, Action action) {
    switch (action) {
      case Action.MakeCall make -> editing.call(page, make.call());
      case Action.SetInput set -> editing.item(page, set.input());
      case Action.Clear clear -> editing.part(page, clear.form());
      case Action.GoTo go -> editing.page(go.page());
      case Action.Say say -> {}
      case Action.Ask ask -> {}
      case Action.GoBack back -> {}
      case Action.OpenAddress open -> {}
      case Action.Stop stop -> {}
    }
  }
}
