package org.mapsel.server.apps;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import org.mapsel.core.page.AppEdit;
import org.mapsel.core.page.AppEditor;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.Value;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.services.Editions;
import org.mapsel.server.services.Ids;
import org.mapsel.server.services.ServiceUsers;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Apps: made, edited, undone and done again. */
@Component
public class Apps implements ServiceUsers {

  private final AppStore store;
  private final AppEditor editor;

  Apps(AppStore store, Editions editions, Recorder recorder) {
    this.store = store;
    this.editor =
        new AppEditor(
            new ServiceLookup() {
              @Override
              public Optional<Service> find(String edition) {
                return editions.find(edition).map(Editions.Edition::service);
              }

              @Override
              public Value answered(String service, OperationId operation) {
                return recorder.lastAnswer(service, operation);
              }
            });
  }

  List<KeptApp> list() {
    return store.all();
  }

  public boolean isEmpty() {
    return store.all().isEmpty();
  }

  KeptApp get(String id) {
    return store.find(id).orElseThrow(() -> Problem.missing("SERVER_APP_MISSING", "app", id));
  }

  /** The app as it stands. */
  public App app(String id) {
    return get(id).app();
  }

  public KeptApp create(String name) {
    App app = edited(App.named(""), new AppEdit.RenameApp(name));
    return store.create(Ids.of(app.name(), "app", store::exists), app);
  }

  /** Makes an edit; it is on disk when this returns. */
  public KeptApp edit(String id, long version, AppEdit edit) {
    return store.change(id, version, new AppStore.Change(edit.title(), app -> edited(app, edit)));
  }

  private App edited(App app, AppEdit edit) {
    Outcome<App> outcome = editor.apply(app, edit);
    return outcome.value().orElseThrow(() -> Problem.refused(outcome.findings()));
  }

  KeptApp undo(String id, long version) {
    return store.undo(id, version);
  }

  KeptApp redo(String id, long version) {
    return store.redo(id, version);
  }

  void remove(String id) {
    store.remove(get(id).id());
  }

  @Override
  public List<String> appsUsing(String service) {
    return store.all().stream()
        .map(KeptApp::app)
        .filter(
            app ->
                app.pages().stream()
                    .flatMap(page -> page.calls().stream())
                    .anyMatch(call -> call.service().equals(service)))
        .map(App::name)
        .toList();
  }
}
