package org.mapsel.server.apps;

import java.util.List;
import org.mapsel.core.finding.Severity;
import org.mapsel.core.page.App;
import org.mapsel.core.page.check.Checked;
import org.mapsel.server.apps.AppViews.AppBrief;
import org.mapsel.server.apps.AppViews.AppFindingView;
import org.mapsel.server.apps.AppViews.AppView;
import org.mapsel.server.apps.AppViews.EditRequest;
import org.mapsel.server.apps.AppViews.NewApp;
import org.mapsel.server.apps.AppViews.PinView;
import org.mapsel.server.apps.AppViews.VersionRequest;
import org.mapsel.server.services.Workspace;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Apps and edits of them. */
@RestController
@RequestMapping("/api/apps")
class AppsController {

  private final Apps apps;
  private final Releases releases;
  private final Workspace workspace;

  AppsController(Apps apps, Releases releases, Workspace workspace) {
    this.releases = releases;
    this.apps = apps;
    this.workspace = workspace;
  }

  @GetMapping
  List<AppBrief> list() {
    return apps.list().stream()
        .map(
            kept ->
                new AppBrief(
                    kept.id(),
                    kept.app().name(),
                    releases.currentNumber(kept.id()).orElse(null),
                    kept.changedAt(),
                    AppViews.briefs(kept.app())))
        .toList();
  }

  @PostMapping
  AppView create(@RequestBody NewApp request) {
    return view(apps.create(request.name()));
  }

  @GetMapping("/{app}")
  AppView get(@PathVariable String app) {
    return view(apps.get(app));
  }

  @DeleteMapping("/{app}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable String app) {
    releases.removeApp(app);
  }

  @PostMapping("/{app}/edits")
  AppView edit(@PathVariable String app, @RequestBody EditRequest request) {
    return view(apps.edit(app, request.version(), request.edit()));
  }

  @PostMapping("/{app}/undo")
  AppView undo(@PathVariable String app, @RequestBody VersionRequest request) {
    return view(apps.undo(app, request.version()));
  }

  @PostMapping("/{app}/redo")
  AppView redo(@PathVariable String app, @RequestBody VersionRequest request) {
    return view(apps.redo(app, request.version()));
  }

  /** What there is to say about the app. */
  @GetMapping("/{app}/findings")
  List<AppFindingView> findings(@PathVariable String app) {
    Apps.CheckedApp known = apps.checked(app);
    return known.checked().findings().stream()
        .map(found -> AppFindingView.of(found, known.kept().app()))
        .toList();
  }

  private AppView view(StoredApp kept) {
    Checked checked = apps.checked(kept).checked();
    return new AppView(
        kept.id(),
        kept.version(),
        kept.app().name(),
        AppViews.briefs(kept.app()),
        kept.app().services().stream().map(this::pin).toList(),
        kept.app().start(),
        kept.undoTitle().orElse(null),
        kept.redoTitle().orElse(null),
        count(checked, Severity.ERROR),
        count(checked, Severity.WARNING));
  }

  private PinView pin(App.ServiceUse use) {
    return new PinView(
        use.service(),
        workspace.nameOf(use.service()),
        use.edition(),
        workspace.newestEdition(use.service()).filter(use.edition()::equals).isPresent());
  }

  private static int count(Checked checked, Severity severity) {
    return (int)
        checked.findings().stream().filter(found -> found.finding().severity() == severity).count();
  }
}
