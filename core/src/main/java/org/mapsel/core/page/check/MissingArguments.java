package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Reaction;

/** A step leads to a page without what that page is opened with. */
final class MissingArguments implements PageRule {

  @Override
  public List<AppFinding> check(PageUnderCheck under) {
    List<AppFinding> findings = new ArrayList<>();
    for (Reaction reaction : under.page().reactions()) {
      for (Reaction.Step step : reaction.all().toList()) {
        if (step.action() instanceof Action.GoTo go) {
          under.app().find(go.page()).stream()
              .flatMap(target -> target.arguments().stream())
              .filter(argument -> !step.slots().containsKey(argument.name()))
              .forEach(
                  argument ->
                      findings.add(
                          under.finding(
                              Finding.error(
                                  "PAGE_ARGUMENT_UNFILLED",
                                  "argument",
                                  argument.name(),
                                  "page",
                                  under.app().find(go.page()).orElseThrow().name()),
                              new Subject.AboutPart(under.page().id(), step.id()))));
        }
      }
    }
    return findings;
  }
}
