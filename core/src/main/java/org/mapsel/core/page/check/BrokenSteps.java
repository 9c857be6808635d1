package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.edit.RemoveReaction;
import org.mapsel.core.page.edit.RemoveStep;

/** A step, or what a reaction waits for, has to do with something that is gone. */
final class BrokenSteps implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    Page page = under.page();
    for (Reaction reaction : page.reactions()) {
      if (isGone(page, reaction.when())) {
        findings.add(
            under.finding(
                Finding.error("PAGE_TRIGGER_GONE"),
                new Subject.AboutPart(page.id(), reaction.owner()),
                new AppFinding.Repair(
                    "Remove the reaction", new RemoveReaction(page.id(), reaction.id()))));
      }
      reaction
          .all()
          .filter(step -> isGone(under, step.action()))
          .forEach(
              step ->
                  findings.add(
                      under.finding(
                          Finding.error("PAGE_STEP_GONE"),
                          new Subject.AboutPart(page.id(), step.id()),
                          new AppFinding.Repair(
                              "Remove the step", new RemoveStep(page.id(), step.id())))));
    }
    return findings;
  }

  private static boolean isGone(Page page, Trigger when) {
    return switch (when) {
      case Trigger.Pressed pressed -> page.part(pressed.button()).isEmpty();
      case Trigger.Changed changed -> page.item(changed.input()).isEmpty();
      case Trigger.RowChosen chosen -> page.rowsPart(chosen.part()).isEmpty();
      case Trigger.Answered answered -> page.call(answered.call()).isEmpty();
      case Trigger.Opened opened -> false;
      case Trigger.CameBack back -> false;
      case Trigger.Every every -> false;
    };
  }

  private static boolean isGone(PageUnderCheck under, Action action) {
    Page page = under.page();
    return switch (action) {
      case Action.MakeCall make -> page.call(make.call()).isEmpty();
      case Action.SetInput set -> page.item(set.input()).isEmpty();
      case Action.Clear clear -> page.part(clear.form()).isEmpty();
      case Action.GoTo go -> under.app().find(go.page()).isEmpty();
      case Action.Say say -> false;
      case Action.Ask ask -> false;
      case Action.GoBack back -> false;
      case Action.OpenAddress open -> false;
      case Action.Stop stop -> false;
    };
  }
}
