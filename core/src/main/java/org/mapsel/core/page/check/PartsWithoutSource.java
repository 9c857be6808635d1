package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.edit.RemoveItem;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.kind.PartKinds;

/** A table without rows, a column or a field without a value. */
final class PartsWithoutSource implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Part part : under.page().parts()) {
      if (part instanceof Part.OverRows table && table.rows().isEmpty()) {
        findings.add(
            under.finding(
                Finding.error("PAGE_PART_SOURCELESS", "part", PartKinds.name(part)),
                new Subject.AboutPart(under.page().id(), part.id()),
                new AppFinding.Repair(
                    "Remove the table", new RemovePart(under.page().id(), part.id()))));
      }
      for (Item item : part.items()) {
        if (item instanceof Shown shown && shown.value().isEmpty()) {
          findings.add(
              under.finding(
                  Finding.error(
                      "PAGE_FIELD_SOURCELESS",
                      "label",
                      under.plan().looks().get(shown.id()).label()),
                  new Subject.AboutPart(under.page().id(), shown.id()),
                  new AppFinding.Repair(
                      "Take it off the page", new RemoveItem(under.page().id(), shown.id()))));
        }
      }
    }
    return findings;
  }
}
