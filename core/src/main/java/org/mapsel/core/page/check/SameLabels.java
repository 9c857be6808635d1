package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Part;

/** Two inputs of one form that are called the same. */
final class SameLabels implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Part part : under.page().parts()) {
      Set<String> labels = new HashSet<>();
      for (Item item : part.items()) {
        if (item instanceof Input input) {
          String label = under.plan().inputs().get(input.id()).look().heading();
          if (!labels.add(label)) {
            findings.add(
                under.finding(
                    Finding.warning("PAGE_LABEL_TWICE", "label", label),
                    new Subject.AboutPart(under.page().id(), input.id())));
          }
        }
      }
    }
    return findings;
  }
}
