package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.ReactionId;

/** Lets a reaction wait for something else. */
public record SetTrigger(PageId page, ReactionId reaction, Trigger when) implements AppEdit {

  @Override
  public String title() {
    return "Change when something happens";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    StepCheck.refuseUnknown(editing, known, when);
    return editing.app().with(known.with(StepCheck.reaction(editing, known, reaction).with(when)));
  }
}
