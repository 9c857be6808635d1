package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.plan.SourceWords;
import org.mapsel.core.ref.SlotId;

/** Something was paired because it is likely, and nobody looked at it yet. */
final class LikelyPairs implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Slot slot : under.page().slots()) {
      if (!slot.mapping().likely().isEmpty()) {
        findings.add(
            under.finding(
                Finding.warning(
                    "PAGE_PAIR_LIKELY",
                    "field",
                    name(under, slot.id()),
                    "source",
                    SourceWords.of(under.plan(), slot.mapping().source()),
                    "reasons",
                    slot.mapping().likely()),
                new Subject.AboutSlot(slot.id()),
                new AppFinding.Repair(
                    "It belongs there",
                    new FillSlot(slot.id(), Optional.of(slot.mapping().source()))),
                new AppFinding.Repair("Leave it out", new FillSlot(slot.id(), Optional.empty()))));
      }
    }
    return findings;
  }

  private static String name(PageUnderCheck under, SlotId slot) {
    return switch (slot) {
      case SlotId.OfParameter parameter -> parameter.parameter().toString();
      case SlotId.OfPart part ->
          Optional.ofNullable(under.plan().inputs().get(part.owner()))
              .map(input -> input.look().fullLabel())
              .orElse(part.owner().text());
    };
  }
}
