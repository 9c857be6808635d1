package org.mapsel.core.page.plan;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;

/**
 * Finds the inputs whose change shows at once: a reaction waits for it, it chooses what else is
 * asked for, or something that is drawn is made of it.
 */
final class ReportedInputs {

  private static final Pattern WORD = Pattern.compile("\\W+");

  private ReportedInputs() {}

  static Set<PartId> of(Page page, PageReach reach) {
    Set<PartId> reported = new HashSet<>();
    page.reactions()
        .forEach(
            reaction -> {
              if (reaction.when() instanceof Trigger.Changed changed) {
                reported.add(changed.input());
              }
            });
    for (Slot slot : page.slots()) {
      switch (slot.id()) {
        case SlotId.OfParameter parameter -> {
          if (slot.mapping().source() instanceof Source.Entered entered
              && reach.alternatives().isChosen(parameter)) {
            reported.add(entered.input());
          }
        }
        case SlotId.OfPart part -> {
          if (isDrawn(page, part)) {
            add(slot.mapping().source(), reach.of(part), reported);
          }
        }
      }
    }
    return reported;
  }

  /** What inputs start with is there before anybody types, and steps are made when they are due. */
  private static boolean isDrawn(Page page, SlotId.OfPart slot) {
    return page.part(slot.owner()).isPresent()
        || page.item(slot.owner()).isPresent() && !slot.name().equals(Input.START);
  }

  private static void add(Source source, Reach around, Set<PartId> reported) {
    switch (source) {
      case Source.Entered entered -> reported.add(entered.input());
      case Source.Derived derived -> add(derived.record(), around, reported);
      case Source.Formula formula -> {
        Map<String, Source> variables = around.variables();
        for (String word : WORD.split(formula.text())) {
          if (variables.get(word) instanceof Source.Entered entered) {
            reported.add(entered.input());
          }
        }
      }
      default -> {}
    }
  }
}
