package org.mapsel.server.runs;

import java.util.Map;
import java.util.Optional;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.server.apps.PageWords;
import org.mapsel.server.samples.Asker;

/** A page that runs, in the version of the app that it was opened in. */
record Running(
    String id,
    String appId,
    App app,
    Optional<Long> release,
    boolean builder,
    Optional<String> previous,
    PagePlan plan,
    PageReach reach,
    Map<String, String> environments) {

  /** Where a release calls a service; the draft does where builders do. */
  Optional<String> environmentOf(String service) {
    return release.map(number -> environments.getOrDefault(service, ""));
  }

  /** Whose calls are made. */
  Asker asker() {
    return new Asker(Optional.of(appId), Optional.of(page().id().text()), !builder);
  }

  Page page() {
    return plan.page();
  }

  /** What people call the things of the page. */
  PageWords words() {
    return new PageWords(app, page(), plan, reach);
  }
}
