package org.mapsel.server.apps;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.plan.PagePlanner;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.PageId;
import org.springframework.stereotype.Component;

/** Pages made ready to run: once for each state of an app, not for everything that happens. */
@Component
public class Plans {

  private static final int REMEMBERED = 128;

  /**
   * A page made ready.
   *
   * @param answers the state of what is known of answers that it was made in
   */
  private record Planned(PagePlan plan, long answers) {}

  private final ServiceLookup services;

  /**
   * States of apps never change, and are told apart by being the very same. Where memory is wanted
   * for something else plans are given up.
   */
  private final Cache<App, Map<PageId, Planned>> planned =
      Caffeine.newBuilder().weakKeys().softValues().maximumSize(REMEMBERED).build();

  Plans(PinnedServices services) {
    this.services = services;
  }

  /**
   * The plan of a page. Where a description leaves open what comes back, it is made anew after each
   * answer, for that may tell more.
   */
  public PagePlan of(App app, Page page, PageReach reach) {
    Map<PageId, Planned> pages = planned.get(app, none -> new ConcurrentHashMap<>());
    Planned known = pages.get(page.id());
    long answers = services.answers();
    if (known == null || known.answers() != answers && !services.isSettled(app, page)) {
      known = new Planned(PagePlanner.plan(app, page, reach), answers);
      pages.put(page.id(), known);
    }
    return known.plan();
  }
}
