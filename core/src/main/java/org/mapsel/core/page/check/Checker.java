package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.plan.PagePlanner;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.PageId;

/**
 * Checks apps after edits. Pages that did not change are not looked at again; after new answers
 * only by rules that look at answers, unless an answer may tell more of what a description leaves
 * open.
 */
public final class Checker {

  private static final List<PageRule> RULES =
      List.of(
          new RequiredParameters(),
          new IdleCalls(),
          new IdleInputs(),
          new NothingToChoose(),
          new PartsWithoutSource(),
          new EmptyButtons(),
          new FieldsGoneInside(),
          new SameLabels(),
          new FixedSecrets(),
          new UnseenKeys(),
          new EmptyDerivedFields(),
          new BrokenSteps(),
          new MissingArguments(),
          new LikelyPairs());

  private final ServiceLookup services;

  public Checker(ServiceLookup services) {
    this.services = services;
  }

  /**
   * @param before what came out the last time, if there was one
   */
  public Checked check(App app, Optional<Checked> before) {
    long answers = services.answers();
    Optional<Checked> usable =
        before.filter(
            last ->
                last.app().services().equals(app.services())
                    && last.app().model().equals(app.model())
                    && arguments(last.app()).equals(arguments(app))
                    && (last.answers() == answers || isSettled(app)));
    Map<PageId, Checked.CheckedPage> pages = new LinkedHashMap<>();
    for (Page page : app.pages()) {
      pages.put(
          page.id(),
          usable
              .map(last -> last.pages().get(page.id()))
              .filter(known -> known.plan().page().equals(page))
              .map(
                  known ->
                      usable.get().answers() == answers ? known : checkAnswers(app, page, known))
              .orElseGet(() -> check(app, page)));
    }
    return new Checked(app, answers, pages, ModelRules.check(app, services));
  }

  /** What pages are opened with: pages that lead to them depend on it. */
  private static Map<PageId, List<Argument>> arguments(App app) {
    return app.pages().stream().collect(Collectors.toMap(Page::id, Page::arguments));
  }

  private Checked.CheckedPage check(App app, Page page) {
    PageReach reach = new PageReach(app, page, services);
    PagePlan plan = PagePlanner.plan(app, page, reach);
    PageUnderCheck under = new PageUnderCheck(app, page, reach, plan, services);
    List<AppFinding> lasting = new ArrayList<>(Misfits.of(app, plan, services));
    lasting.addAll(findings(under, false));
    return new Checked.CheckedPage(plan, lasting, findings(under, true));
  }

  private Checked.CheckedPage checkAnswers(App app, Page page, Checked.CheckedPage known) {
    PageReach reach = new PageReach(app, page, services);
    PageUnderCheck under = new PageUnderCheck(app, page, reach, known.plan(), services);
    return new Checked.CheckedPage(known.plan(), known.lasting(), findings(under, true));
  }

  private static List<AppFinding> findings(PageUnderCheck under, boolean answers) {
    return RULES.stream()
        .filter(rule -> rule.looksAtAnswers() == answers)
        .flatMap(rule -> rule.check(under).stream())
        .toList();
  }

  /** What one page is opened with may be what another one was answered. */
  private boolean isSettled(App app) {
    return app.pages().stream().allMatch(page -> services.isSettled(app, page));
  }
}
