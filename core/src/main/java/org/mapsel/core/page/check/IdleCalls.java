package org.mapsel.core.page.check;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.edit.CallOnOpening;
import org.mapsel.core.page.edit.RemoveCall;

/** A call that nothing makes. */
final class IdleCalls implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    return under.page().calls().stream()
        .filter(
            call ->
                under.page().reactions().stream().noneMatch(reaction -> reaction.calls(call.id())))
        .map(
            call ->
                under.finding(
                    Finding.warning("PAGE_CALL_IDLE", "operation", under.nameOf(call)),
                    new Subject.AboutCall(under.page().id(), call.id()),
                    new AppFinding.Repair(
                        "Call it when the page opens",
                        new CallOnOpening(under.page().id(), call.id(), true)),
                    new AppFinding.Repair(
                        "Remove the call", new RemoveCall(under.page().id(), call.id()))))
        .toList();
  }
}
