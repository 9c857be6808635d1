package org.mapsel.core.page.view;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.PartId;

/** Where on a page it matters which row is chosen; the page is gone through once for all parts. */
final class ChosenParts {

  private final Set<PartId> named = new HashSet<>();
  private final List<String> formulas = new ArrayList<>();

  ChosenParts(Page page) {
    for (Reaction reaction : page.reactions()) {
      if (reaction.when() instanceof Trigger.RowChosen chosen) {
        named.add(chosen.part());
      }
    }
    for (Slot slot : page.slots()) {
      add(slot.mapping().source());
    }
  }

  private void add(Source source) {
    switch (source) {
      case Source.Chosen chosen -> named.add(chosen.part());
      case Source.Derived derived -> add(derived.record());
      case Source.Formula formula -> formulas.add(formula.text());
      default -> {}
    }
  }

  boolean of(PartId part) {
    return named.contains(part)
        || formulas.stream().anyMatch(formula -> formula.contains("chosen_" + part.text()));
  }
}
