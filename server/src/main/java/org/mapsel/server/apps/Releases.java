package org.mapsel.server.apps;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.release.AppChange;
import org.mapsel.core.release.AppChanges;
import org.mapsel.server.apps.ReleaseViews.CalledService;
import org.mapsel.server.apps.ReleaseViews.ReleaseView;
import org.mapsel.server.apps.ReleaseViews.ReleasesView;
import org.mapsel.server.environments.Environments;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Versions of apps that were handed over to visitors. */
@Component
public class Releases {

  /** How many characters of apps are remembered as read, which takes some times as many bytes. */
  private static final long REMEMBERED = Runtime.getRuntime().maxMemory() / 100;

  private static final int LONGEST_NOTE = 2_000;

  private final Apps apps;
  private final ReleaseStore store;
  private final Environments environments;
  private final Workspace workspace;

  /** Releases by app and number; they never change. */
  private final Cache<String, ReleaseStore.Released> contents =
      Caffeine.newBuilder()
          .maximumWeight(REMEMBERED)
          .weigher((String key, ReleaseStore.Released released) -> released.length())
          .build();

  Releases(Apps apps, ReleaseStore store, Environments environments, Workspace workspace) {
    this.environments = environments;
    this.workspace = workspace;
    this.apps = apps;
    this.store = store;
  }

  /**
   * A version of an app.
   *
   * @param release its number; nothing for the draft
   * @param environments where a release calls its services, by service; those that are not named
   *     are called as described
   */
  public record Version(Optional<Long> release, App app, Map<String, String> environments) {}

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
    return new Version(Optional.empty(), apps.get(app).app(), Map.of());
  }

  /** One of the releases. */
  public Version get(String app, long number) {
    String key = key(app, number);
    ReleaseStore.Released released =
        contents.get(
            key,
            absent ->
                store
                    .find(app, number)
                    .orElseThrow(
                        () ->
                            Problem.missing(
                                "SERVER_RELEASE_MISSING", "number", String.valueOf(number))));
    return new Version(Optional.of(number), released.app(), released.environments());
  }

  private static String key(String app, Object number) {
    return app + "/" + number;
  }

  /** Removes an app with its releases; another one may have its id some time. */
  void removeApp(String app) {
    apps.remove(app);
    contents.asMap().keySet().removeIf(key -> key.startsWith(key(app, "")));
  }

  /** All about the releases of an app, the newest first, each beside the one before it. */
  ReleasesView view(String app) {
    StoredApp kept = apps.get(app);
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
              i + 1 < lines.size() ? changes(app, lines.get(i + 1), line) : List.of(),
              called(get(app, line.number()).app(), line.environments())));
    }
    return new ReleasesView(
        store.current(app).orElse(null),
        lines.isEmpty() ? List.of() : changes(app, lines.getFirst(), kept.app()),
        called(kept.app(), lines.isEmpty() ? Map.of() : lines.getFirst().environments()),
        views);
  }

  /** The services that an app calls, with where, and where else they could be called. */
  private List<CalledService> called(App app, Map<String, String> where) {
    return services(app)
        .map(
            service ->
                new CalledService(
                    service,
                    workspace.nameOf(service),
                    where.getOrDefault(service, ""),
                    environments.names(service)))
        .toList();
  }

  private static Stream<String> services(App app) {
    return app.pages().stream()
        .flatMap(page -> page.calls().stream())
        .map(Call::service)
        .distinct()
        .sorted();
  }

  private List<AppChange> changes(String app, ReleaseStore.Line before, ReleaseStore.Line now) {
    App released = get(app, now.number()).app();
    List<AppChange> changes = new ArrayList<>(changes(app, before, released));
    services(released)
        .forEach(
            service -> {
              String was = before.environments().getOrDefault(service, "");
              String is = now.environments().getOrDefault(service, "");
              if (!was.equals(is)) {
                changes.add(
                    new AppChange(
                        Optional.empty(),
                        workspace.nameOf(service),
                        "is called " + words(is) + ", before " + words(was)));
              }
            });
    return changes;
  }

  private static String words(String environment) {
    return environment.isEmpty() ? "where its description says" : "in " + environment;
  }

  private List<AppChange> changes(String app, ReleaseStore.Line before, App now) {
    return AppChanges.between(get(app, before.number()).app(), now);
  }

  /** Hands the draft over. */
  ReleasesView release(
      String app, long version, String note, String author, Map<String, String> where) {
    if (note.length() > LONGEST_NOTE || author.length() > LONGEST_NOTE) {
      throw Problem.refused(
          Finding.error("SERVER_NOTE_TOO_LONG", "limit", String.valueOf(LONGEST_NOTE)));
    }
    if (apps.get(app).app().pages().isEmpty()) {
      throw Problem.conflict("SERVER_RELEASE_EMPTY");
    }
    Map<String, String> chosen = new TreeMap<>();
    services(apps.get(app).app())
        .forEach(
            service ->
                chosen.put(
                    service, environments.get(service, where.getOrDefault(service, "")).name()));
    store.add(app, version, note.strip(), author.strip(), chosen);
    return view(app);
  }

  /** Hands the draft over as it stands, whoever edited it last. */
  public void release(String app, String note) {
    release(app, apps.get(app).version(), note, "", Map.of());
  }

  /** Lets visitors see an earlier release, or a later one again. */
  ReleasesView show(String app, long number) {
    store.show(app, get(app, number).release().orElseThrow());
    return view(app);
  }
}
