package org.mapsel.server.apps;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.release.AppChange;
import org.mapsel.core.release.AppChanges;
import org.mapsel.server.apps.ReleaseViews.ReleaseView;
import org.mapsel.server.apps.ReleaseViews.ReleasesView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Versions of apps that were handed over to visitors. */
@Component
public class Releases {

  private static final int REMEMBERED = 64;
  private static final int LONGEST_NOTE = 2_000;

  private final Apps apps;
  private final ReleaseStore store;

  /** Releases as they were checked last; what is in them never changes. */
  private final Cache<String, Checked> checks =
      Caffeine.newBuilder().maximumSize(REMEMBERED).build();

  /** Releases by app and number; they never change. */
  private final Cache<String, App> contents = Caffeine.newBuilder().maximumSize(REMEMBERED).build();

  Releases(Apps apps, ReleaseStore store) {
    this.apps = apps;
    this.store = store;
  }

  /**
   * A version of an app, checked.
   *
   * @param release its number; nothing for the draft
   */
  public record Version(Optional<Long> release, App app, Checked checked) {}

  /** The release that visitors see now. */
  public Version current(String app) {
    return get(
        app,
        store
            .current(app)
            .orElseThrow(
                () -> Problem.conflict("SERVER_RELEASE_NONE", "app", apps.get(app).app().name())));
  }

  /** The release that visitors see now; nothing as long as there is none. */
  Optional<Version> released(String app) {
    return store.current(app).map(number -> get(app, number));
  }

  /** The number of the release that visitors see now. */
  Optional<Long> currentNumber(String app) {
    return store.current(app);
  }

  /** The app as it was edited last. */
  public Version draft(String app) {
    Apps.CheckedApp draft = apps.checked(app);
    return new Version(Optional.empty(), draft.kept().app(), draft.checked());
  }

  /** One of the releases. */
  public Version get(String app, long number) {
    String key = app + "/" + number;
    App content =
        contents.get(
            key,
            absent ->
                store
                    .find(app, number)
                    .orElseThrow(
                        () ->
                            Problem.missing(
                                "SERVER_RELEASE_MISSING", "number", String.valueOf(number))));
    Checked checked = apps.check(content, Optional.ofNullable(checks.getIfPresent(key)));
    checks.put(key, checked);
    return new Version(Optional.of(number), content, checked);
  }

  /** All about the releases of an app, the newest first, each beside the one before it. */
  ReleasesView view(String app) {
    KeptApp kept = apps.get(app);
    List<ReleaseStore.Line> lines = store.all(app);
    List<ReleaseView> views = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      ReleaseStore.Line line = lines.get(i);
      views.add(
          new ReleaseView(
              line.number(),
              line.note(),
              line.author(),
              line.madeAt(),
              i + 1 < lines.size()
                  ? changes(app, lines.get(i + 1), get(app, line.number()).app())
                  : List.of()));
    }
    return new ReleasesView(
        store.current(app).orElse(null),
        lines.isEmpty() ? List.of() : changes(app, lines.getFirst(), kept.app()),
        views);
  }

  private List<AppChange> changes(String app, ReleaseStore.Line before, App now) {
    return AppChanges.between(get(app, before.number()).app(), now);
  }

  /** Hands the draft over. */
  ReleasesView release(String app, long version, String note, String author) {
    if (note.length() > LONGEST_NOTE || author.length() > LONGEST_NOTE) {
      throw Problem.refused(
          Finding.error("SERVER_NOTE_TOO_LONG", "limit", String.valueOf(LONGEST_NOTE)));
    }
    if (apps.get(app).app().pages().isEmpty()) {
      throw Problem.conflict("SERVER_RELEASE_EMPTY");
    }
    store.add(app, version, note.strip(), author.strip());
    return view(app);
  }

  /** Hands the draft over as it stands, whoever edited it last. */
  public void release(String app, String note) {
    release(app, apps.get(app).version(), note, "");
  }

  /** Lets visitors see an earlier release, or a later one again. */
  ReleasesView show(String app, long number) {
    store.show(app, get(app, number).release().orElseThrow());
    return view(app);
  }
}
