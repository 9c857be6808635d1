package org.mapsel.core.page.view;

import org.mapsel.core.mapping.Scope;
import org.mapsel.core.page.Nesting;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.BooleanValue;

/** Tells which parts visitors see just now. */
final class ShownParts {

  private final PagePlan plan;
  private final Scope scope;

  ShownParts(Drawing drawing) {
    this.plan = drawing.plan();
    this.scope = drawing.scope();
  }

  /** What stands in a group that is not shown is not shown either, however deep. */
  boolean isShown(Part part) {
    return isShown(part, scope)
        && Nesting.groupsAround(plan.page(), part).stream()
            .allMatch(group -> isShown(group, scope));
  }

  boolean isShown(Part part, Scope here) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), part.id(), Part.SHOWN_IF);
    return !part.frame().buildersOnly()
        && (!part.slots().containsKey(Part.SHOWN_IF)
            || plan.plan().value(slot, here) == BooleanValue.TRUE);
  }
}
