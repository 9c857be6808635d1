package org.mapsel.server.apps;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.App;
import org.mapsel.core.page.AppEdit;
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

  /** An app in one line. */
  record AppBrief(String id, String name, List<PageBrief> pages) {}

  /** A page in one line. */
  record PageBrief(String id, String name) {}

  /** An app as it stands, and what undo and redo would do. */
  record AppView(String id, long version, App app, @Nullable String undo, @Nullable String redo) {}

  /** A new app. */
  record NewApp(String name) {
    NewApp {
      Objects.requireNonNull(name);
    }
  }

  /** An edit of the app at a version. */
  record EditRequest(long version, AppEdit edit) {
    EditRequest {
      Objects.requireNonNull(edit);
    }
  }

  /** A version to go on from. */
  record VersionRequest(long version) {}

  private final Apps apps;

  AppsController(Apps apps) {
    this.apps = apps;
  }

  @GetMapping
  List<AppBrief> list() {
    return apps.list().stream()
        .map(
            kept ->
                new AppBrief(
                    kept.id(),
                    kept.app().name(),
                    kept.app().pages().stream()
                        .map(page -> new PageBrief(page.id().text(), page.name()))
                        .toList()))
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
    apps.remove(app);
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

  private static AppView view(KeptApp kept) {
    return new AppView(
        kept.id(),
        kept.version(),
        kept.app(),
        kept.undoTitle().orElse(null),
        kept.redoTitle().orElse(null));
  }
}
