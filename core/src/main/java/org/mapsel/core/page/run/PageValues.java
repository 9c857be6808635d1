package org.mapsel.core.page.run;

import java.time.Instant;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.Value;

/** The values of the slots of a page, in one state of it or another. */
record PageValues(PagePlan plan, Formats formats, Instant now) {

  Page page() {
    return plan.page();
  }

  Scope scope(PageState state) {
    return new StateScope(page(), plan.plan(), state, now);
  }

  Value value(PageState state, PartId owner, String slot) {
    return plan.plan().value(new SlotId.OfPart(page().id(), owner, slot), scope(state));
  }

  /** Whether a condition holds; none always does. */
  boolean holds(PageState state, PartId owner, Optional<Mapping> condition) {
    return condition.isEmpty() || value(state, owner, Reaction.CONDITION) == BooleanValue.TRUE;
  }

  /** The value of a slot as people read it. */
  String text(PageState state, PartId owner, String slot) {
    SlotId id = new SlotId.OfPart(page().id(), owner, slot);
    return plan.plan()
        .find(id)
        .map(planned -> formats.show(planned.value(scope(state)), Look.words(planned.type())))
        .orElse("");
  }
}
