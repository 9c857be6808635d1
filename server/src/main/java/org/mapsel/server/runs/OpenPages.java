package org.mapsel.server.runs;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.PageId;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.apps.Plans;
import org.mapsel.server.apps.Releases;
import org.mapsel.server.runs.RunViews.RunAs;
import org.mapsel.server.runs.RunViews.RunRequest;
import org.mapsel.server.samples.Replay;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Finds what a run needs: the version of the app that its page was opened in, planned. */
@Component
class OpenPages {

  private final Apps apps;
  private final Plans plans;
  private final Releases releases;
  private final Replay replay;
  private final Workspace workspace;

  OpenPages(Apps apps, Plans plans, Releases releases, Replay replay, Workspace workspace) {
    this.plans = plans;
    this.replay = replay;
    this.workspace = workspace;
    this.apps = apps;
    this.releases = releases;
  }

  /** The version that somebody is to see who opens a page now. */
  Releases.Version version(String app, RunRequest request) {
    if (request.as() != RunAs.VISITOR) {
      return releases.draft(app);
    }
    return request.release() == null ? releases.current(app) : releases.get(app, request.release());
  }

  /** The version that a run goes on with. */
  Releases.Version version(Running running) {
    return version(running.appId(), running.release());
  }

  private Releases.Version version(String app, Optional<Long> release) {
    return release.map(number -> releases.get(app, number)).orElseGet(() -> releases.draft(app));
  }

  Running running(RunStore.Kept kept) {
    return running(kept, version(kept.app(), kept.release()));
  }

  /** Refuses a page that a version does not have. */
  void refuseMissing(Releases.Version version, String page) {
    page(version, page);
  }

  private static Page page(Releases.Version version, String page) {
    return version
        .app()
        .find(new PageId(page))
        .orElseThrow(() -> Problem.missing("APP_PAGE_MISSING", "page", page));
  }

  /** A page of a version. */
  Running running(RunStore.Kept kept, Releases.Version version) {
    App app = version.app();
    Page page = page(version, kept.page());
    PageReach reach = new PageReach(app, page, apps.services());
    return new Running(
        kept.id(),
        kept.app(),
        app,
        version.release(),
        kept.builder(),
        kept.previous(),
        plans.of(app, page, reach),
        reach,
        version.environments());
  }

  /** The names of the services of a page that are answered for from samples. */
  List<String> replayed(Running running) {
    Set<String> replayed = replay.services();
    return running.page().calls().stream()
        .map(Call::service)
        .filter(replayed::contains)
        .distinct()
        .map(workspace::nameOf)
        .toList();
  }
}
