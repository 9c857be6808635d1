package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;

/** Makes a call also when the page is opened, or no longer. */
public record CallOnOpening(PageId page, CallId call, boolean made) implements AppEdit {

  @Override
  public String title() {
    return made ? "Call when the page is opened" : "No longer call when the page is opened";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    editing.call(known, call);
    List<Reaction> reactions = new ArrayList<>();
    for (Reaction reaction : known.reactions()) {
      Reaction kept =
          reaction.when() instanceof Trigger.Opened
              ? reaction.without(step -> step.calls(call))
              : reaction;
      if (!kept.steps().isEmpty()) {
        reactions.add(kept);
      }
    }
    if (made) {
      reactions.add(
          Reaction.of(
              new ReactionId(editing.ids().next("opened")),
              new Trigger.Opened(),
              List.of(
                  Reaction.Step.of(
                      new PartId(editing.ids().next("step")), new Action.MakeCall(call)))));
    }
    return editing.app().with(known.withReactions(reactions));
  }
}
