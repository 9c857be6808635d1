package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PartId;

/** Two inputs of one form that are called the same. */
final class SameLabels implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Part part : under.page().parts()) {
      Map<String, List<PartId>> before = new HashMap<>();
      for (Item item : part.items()) {
        if (item instanceof Input input) {
          String label = under.plan().inputs().get(input.id()).look().heading();
          List<PartId> same = before.computeIfAbsent(label, none -> new ArrayList<>());
          if (same.stream().anyMatch(other -> !under.plan().exclude(other, input.id()))) {
            findings.add(
                under.finding(
                    Finding.warning("PAGE_LABEL_TWICE", "label", label),
                    new Subject.AboutPart(under.page().id(), input.id())));
          }
          same.add(input.id());
        }
      }
    }
    return findings;
  }
}
