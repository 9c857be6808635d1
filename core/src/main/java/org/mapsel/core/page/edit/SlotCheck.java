package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingPlanner;
import org.mapsel.core.mapping.Planned;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.kind.SlotTypes;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.SlotId;

/** Refuses mappings that could not be used. */
final class SlotCheck {

  private SlotCheck() {}

  /** Refuses a page whose slot is filled with something that cannot fill it. */
  static void refuseMisfit(Editing editing, Page page, SlotId slot) {
    Optional<Mapping> mapping = page.mapping(slot);
    if (mapping.isEmpty()) {
      return;
    }
    PageReach reach = editing.reach(page);
    Outcome<Planned> planned =
        new MappingPlanner(editing.app().model())
            .plan(mapping.get(), SlotTypes.expected(page, reach, slot), reach.of(slot));
    if (planned.value().isEmpty() && !(mapping.get().source() instanceof Source.Formula)) {
      throw new EditRefused(planned.findings().get(0).about(new Subject.AboutSlot(slot)));
    }
  }
}
