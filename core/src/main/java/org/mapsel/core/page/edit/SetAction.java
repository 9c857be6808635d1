package org.mapsel.core.page.edit;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Lets a step do something else; what still fits of what filled it stays. */
public record SetAction(PageId page, PartId step, Action action) implements AppEdit {

  @Override
  public String title() {
    return "Change a step";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Reaction around = StepCheck.reactionOf(known, step);
    StepCheck.refuseUnknown(editing, known, action);
    Reaction.Step changed = known.step(step).orElseThrow().with(action);
    for (String slot : List.copyOf(changed.slots().keySet())) {
      if (!slot.equals(Reaction.CONDITION) && !action.slotNames().contains(slot)) {
        changed = changed.with(slot, Optional.empty());
      }
    }
    return editing.app().with(known.with(around.with(changed)));
  }
}
