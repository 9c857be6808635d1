package org.mapsel.core.page.check;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.PageReach;

/** A page that rules look at. */
record PageUnderCheck(App app, Page page, PageReach reach, PagePlan plan, ServiceLookup services) {

  AppFinding finding(Finding finding, Subject subject, AppFinding.Repair... repairs) {
    return new AppFinding(finding.about(subject), Optional.of(page.id()), List.of(repairs));
  }

  /** What people call an operation. */
  String nameOf(Call call) {
    return reach
        .pinned(call.id())
        .map(pinned -> pinned.operation().name())
        .orElse(call.operation().text());
  }
}
