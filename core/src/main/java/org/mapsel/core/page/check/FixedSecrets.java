package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.SecretNames;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Slot;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.ref.SlotId;

/** A value fixed on a page for a parameter that is called like a secret. */
final class FixedSecrets implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Slot slot : under.page().slots()) {
      if (slot.id() instanceof SlotId.OfParameter parameter
          && slot.mapping().source() instanceof Source.Fixed
          && SecretNames.isSecret(parameter.parameter().last())) {
        findings.add(
            under.finding(
                Finding.warning("PAGE_SECRET_FIXED", "field", parameter.parameter().toString()),
                new Subject.AboutSlot(slot.id()),
                new AppFinding.Repair("Leave it out", new FillSlot(slot.id(), Optional.empty()))));
      }
    }
    return findings;
  }
}
