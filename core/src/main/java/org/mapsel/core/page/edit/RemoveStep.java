package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Takes a step out of its reaction. */
public record RemoveStep(PageId page, PartId step) implements AppEdit {

  @Override
  public String title() {
    return "Remove a step";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Reaction around = StepCheck.reactionOf(known, step);
    return editing.app().with(known.with(around.without(one -> one.id().equals(step))));
  }
}
