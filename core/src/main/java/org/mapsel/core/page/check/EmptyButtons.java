package org.mapsel.core.page.check;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.edit.RemovePart;

/** A button that does nothing. */
final class EmptyButtons implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    return under.page().parts().stream()
        .filter(Part.Button.class::isInstance)
        .filter(
            button ->
                under.page().reactions().stream()
                    .noneMatch(
                        reaction ->
                            reaction.when().equals(new Trigger.Pressed(button.id()))
                                && reaction.all().findAny().isPresent()))
        .map(
            button ->
                under.finding(
                    Finding.warning("PAGE_BUTTON_IDLE"),
                    new Subject.AboutPart(under.page().id(), button.id()),
                    new AppFinding.Repair(
                        "Remove the button", new RemovePart(under.page().id(), button.id()))))
        .toList();
  }
}
