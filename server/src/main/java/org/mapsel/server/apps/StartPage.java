package org.mapsel.server.apps;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Folio;
import org.mapsel.core.page.edit.FolioRules;
import org.mapsel.server.apps.AppViews.AppBrief;
import org.mapsel.server.apps.StartViews.StartView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Where visitors begin: an index over what was released. */
@Component
class StartPage {

  private final FolioStore store;
  private final Apps apps;
  private final Releases releases;

  StartPage(FolioStore store, Apps apps, Releases releases) {
    this.store = store;
    this.apps = apps;
    this.releases = releases;
  }

  /** What was arranged; as long as nothing was, a section for each app that was released. */
  StartView view() {
    Map<String, App> released = new LinkedHashMap<>();
    apps.list()
        .forEach(
            kept ->
                releases
                    .released(kept.id())
                    .ifPresent(version -> released.put(kept.id(), version.app())));
    Optional<FolioStore.Kept> kept = store.newest();
    return new StartView(
        kept.map(FolioStore.Kept::version).orElse(0L),
        kept.map(FolioStore.Kept::folio).orElseGet(() -> usual(released)),
        released.entrySet().stream().map(this::brief).toList());
  }

  private AppBrief brief(Map.Entry<String, App> app) {
    return new AppBrief(
        app.getKey(),
        app.getValue().name(),
        releases.currentNumber(app.getKey()).orElse(null),
        null,
        AppViews.briefs(app.getValue()));
  }

  /** A section for each app, with the entries of its own start page. */
  private static Folio usual(Map<String, App> apps) {
    List<Folio.Section> sections = new ArrayList<>();
    apps.forEach(
        (id, app) ->
            sections.add(
                new Folio.Section(
                    app.name(),
                    AppViews.start(app).entries().stream()
                        .map(entry -> entry.app().isEmpty() ? entry.of(id) : entry)
                        .toList())));
    return new Folio(sections);
  }

  StartView arrange(long version, Folio folio) {
    FolioRules.problem(folio)
        .ifPresent(
            finding -> {
              throw Problem.refused(finding);
            });
    store.add(version, folio);
    return view();
  }

  StartView takeBack(long version) {
    store.takeBack(version);
    return view();
  }
}
