package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.ReactionId;

/** Lets a page do something when something happens. */
public record AddReaction(PageId page, Trigger when, List<Action> actions) implements AppEdit {

  public AddReaction {
    actions = List.copyOf(actions);
  }

  @Override
  public String title() {
    return "Add a reaction";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    StepCheck.refuseUnknown(editing, known, when);
    actions.forEach(action -> StepCheck.refuseUnknown(editing, known, action));
    return editing
        .app()
        .with(
            known.with(
                Reaction.of(
                    new ReactionId(editing.ids().next("when")),
                    when,
                    actions.stream().map(action -> StepCheck.step(editing, action)).toList())));
  }
}
