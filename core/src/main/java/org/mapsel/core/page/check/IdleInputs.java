package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.edit.RemoveItem;
import org.mapsel.core.ref.PartId;

/** An input that fills nothing. */
final class IdleInputs implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    String formulas = formulas(under.page());
    under
        .page()
        .inputs()
        .filter(input -> under.reach().filledBy(input.id()).isEmpty())
        .filter(input -> !formulas.contains(input.id().text().replaceFirst("_\\d+$", "")))
        .filter(input -> !isShown(under.page(), input.id()))
        .forEach(
            input ->
                findings.add(
                    under.finding(
                        Finding.warning(
                            "PAGE_INPUT_IDLE",
                            "label",
                            under.plan().inputs().get(input.id()).look().label()),
                        new Subject.AboutPart(under.page().id(), input.id()),
                        new AppFinding.Repair(
                            "Remove the input", new RemoveItem(under.page().id(), input.id())))));
    return findings;
  }

  private static boolean isShown(Page page, PartId input) {
    return page.slots().stream()
        .anyMatch(slot -> slot.mapping().source().equals(new Source.Entered(input)));
  }

  private static String formulas(Page page) {
    return page.slots().stream()
        .map(slot -> slot.mapping().source())
        .filter(Source.Formula.class::isInstance)
        .map(source -> ((Source.Formula) source).text())
        .collect(Collectors.joining("\n"));
  }
}
