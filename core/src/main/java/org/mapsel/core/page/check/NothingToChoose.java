package org.mapsel.core.page.check;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.edit.SetInputKind;
import org.mapsel.core.page.kind.InputLook;

/** Inputs that only take what is offered, and offer nothing. */
final class NothingToChoose implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    return under
        .page()
        .inputs()
        .filter(input -> isEmpty(input, under.plan().inputs().get(input.id())))
        .map(
            input ->
                under.finding(
                    Finding.warning(
                        "PAGE_CHOICE_EMPTY",
                        "label",
                        under.plan().inputs().get(input.id()).look().heading()),
                    new Subject.AboutPart(under.page().id(), input.id()),
                    new AppFinding.Repair(
                        "Put it in as its type is",
                        new SetInputKind(under.page().id(), input.id(), Optional.empty()))))
        .toList();
  }

  private static boolean isEmpty(Input input, InputLook look) {
    return look.kind().isChosen() && input.options().isEmpty() && look.look().choices().isEmpty();
  }
}
