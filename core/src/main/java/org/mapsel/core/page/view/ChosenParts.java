package org.mapsel.core.page.view;

import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.PartId;

/** Where on a page it matters which row is chosen. */
final class ChosenParts {

  private final Page page;

  ChosenParts(Page page) {
    this.page = page;
  }

  boolean of(PartId part) {
    return page.reactions().stream()
            .anyMatch(reaction -> reaction.when().equals(new Trigger.RowChosen(part)))
        || page.slots().stream().anyMatch(slot -> isFrom(slot.mapping().source(), part));
  }

  private static boolean isFrom(Source source, PartId part) {
    return switch (source) {
      case Source.Chosen chosen -> chosen.part().equals(part);
      case Source.Derived derived -> isFrom(derived.record(), part);
      case Source.Formula formula -> formula.text().contains("chosen_" + part.text());
      default -> false;
    };
  }
}
