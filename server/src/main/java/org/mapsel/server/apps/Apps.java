package org.mapsel.server.apps;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.page.check.Checker;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.AppEditor;
import org.mapsel.core.page.edit.RenameApp;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Apps: made, edited, undone and done again, and checked after every edit. */
@Component
public class Apps {

  private static final int REMEMBERED = 32;

  /** An app and what checking it came to. */
  public record CheckedApp(StoredApp kept, Checked checked) {}

  private final AppStore store;
  private final PinnedServices services;
  private final Vocabulary vocabulary;
  private final AppPersonalRules personal;
  private final JsonMapper json;
  private final AppEditor editor;
  private final Checker checker;

  /**
   * What came of the last check, so that only changed pages are looked at again; where memory is
   * wanted for something else it is given up.
   */
  private final Cache<String, Checked> checks =
      Caffeine.newBuilder().softValues().maximumSize(REMEMBERED).build();

  Apps(
      AppStore store,
      PinnedServices services,
      Vocabulary vocabulary,
      AppPersonalRules personal,
      JsonMapper json) {
    this.personal = personal;
    this.vocabulary = vocabulary;
    this.json = json;
    this.store = store;
    this.services = services;
    this.editor = new AppEditor(services, vocabulary::lexicon);
    this.checker = new Checker(services);
  }

  public List<StoredApp> list() {
    return store.all();
  }

  public boolean isEmpty() {
    return store.all().isEmpty();
  }

  public StoredApp get(String id) {
    return store.find(id).orElseThrow(() -> Problem.missing("SERVER_APP_MISSING", "app", id));
  }

  /** The app as it stands, checked. */
  public CheckedApp checked(String id) {
    return checked(get(id));
  }

  CheckedApp checked(StoredApp kept) {
    Checked checked = check(kept.app(), Optional.ofNullable(checks.getIfPresent(kept.id())));
    checks.put(kept.id(), checked);
    return new CheckedApp(kept, checked);
  }

  /**
   * Checks an app against the services of the workspace.
   *
   * @param before what the last check came to; pages that did not change are not looked at again
   */
  Checked check(App app, Optional<Checked> before) {
    return checker.check(app, before);
  }

  public PinnedServices services() {
    return services;
  }

  public StoredApp create(String name) {
    App app = edited(App.named(""), new RenameApp(name));
    return create(app);
  }

  /** Keeps an app that was made elsewhere. */
  StoredApp create(App app) {
    return changed(store.create(app));
  }

  /** Makes an edit; it is on disk when this returns. */
  public StoredApp edit(String id, long version, AppEdit edit) {
    JsonNode asked = json.valueToTree(edit);
    AtomicReference<App> before = new AtomicReference<>();
    StoredApp after =
        store.change(
            id,
            version,
            new AppStore.Change(
                edit.title(),
                asked,
                app -> {
                  before.set(app);
                  return edited(app, edit);
                }));
    vocabulary.learn(edit, before.get(), after.app());
    return changed(after);
  }

  /** The app after an edit; nothing is kept of it. */
  App edited(App app, AppEdit edit) {
    Outcome<App> outcome = editor.apply(app, edit);
    return outcome.value().orElseThrow(() -> Problem.refused(outcome.findings()));
  }

  StoredApp undo(String id, long version) {
    return changed(store.undo(id, version));
  }

  StoredApp redo(String id, long version) {
    return changed(store.redo(id, version));
  }

  void remove(String id) {
    store.remove(get(id).id());
    checks.invalidate(id);
    personal.forget();
  }

  private StoredApp changed(StoredApp now) {
    personal.forget();
    return now;
  }
}
