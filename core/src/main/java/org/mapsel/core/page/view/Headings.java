package org.mapsel.core.page.view;

import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.SlotId;

/** Draws what stands over parts and on buttons. */
final class Headings {

  private final PagePlan plan;
  private final Scope scope;
  private final Formats formats;

  Headings(Drawing drawing) {
    this.plan = drawing.plan();
    this.scope = drawing.scope();
    this.formats = drawing.formats();
  }

  String of(Part part) {
    SlotId slot = new SlotId.OfPart(plan.page().id(), part.id(), Part.HEADING);
    return plan.plan()
        .find(slot)
        .map(planned -> formats.show(planned.value(scope), Look.words(planned.type())))
        .orElseGet(() -> plan.headings().getOrDefault(part.id(), ""));
  }

  PartView.ButtonView button(Part.Button button) {
    return new PartView.ButtonView(button.id(), of(button), button.manner());
  }
}
