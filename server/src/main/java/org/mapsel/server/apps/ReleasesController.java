package org.mapsel.server.apps;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.page.App;
import org.mapsel.server.apps.ReleaseViews.CurrentRelease;
import org.mapsel.server.apps.ReleaseViews.NewRelease;
import org.mapsel.server.apps.ReleaseViews.OpenView;
import org.mapsel.server.apps.ReleaseViews.ReleasesView;
import org.mapsel.server.apps.ReleaseViews.WhereToCall;
import org.mapsel.server.checks.Checks;
import org.mapsel.server.checks.SampleViews.SampleLine;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Releases of apps. */
@RestController
@RequestMapping("/api")
class ReleasesController {

  private final Releases releases;
  private final Checks checks;

  ReleasesController(Releases releases, Checks checks) {
    this.releases = releases;
    this.checks = checks;
  }

  @GetMapping("/apps/{app}/releases")
  ReleasesView all(@PathVariable String app) {
    return releases.view(app);
  }

  @PostMapping("/apps/{app}/releases")
  @ResponseStatus(HttpStatus.CREATED)
  ReleasesView add(@PathVariable String app, @RequestBody NewRelease request) {
    return releases.release(
        app, request.version(), request.note(), request.author(), request.environments());
  }

  /** Runs the checks of what the draft calls, where it is to call it, before it is handed over. */
  @PostMapping("/apps/{app}/verdicts")
  List<SampleLine> verify(@PathVariable String app, @RequestBody WhereToCall request) {
    Set<List<String>> called =
        releases.draft(app).app().pages().stream()
            .flatMap(page -> page.calls().stream())
            .map(call -> List.of(call.service(), call.operation().text()))
            .collect(Collectors.toSet());
    return checks.verify(
        (service, operation) -> called.contains(List.of(service, operation)),
        request.environments());
  }

  @PutMapping("/apps/{app}/releases/current")
  ReleasesView show(@PathVariable String app, @RequestBody CurrentRelease request) {
    return releases.show(app, request.number());
  }

  /** A release as it is stored, as the file of an app. */
  @GetMapping("/apps/{app}/releases/{number}/file")
  JsonNode file(@PathVariable String app, @PathVariable long number) {
    return AppFile.write(releases.get(app, number).app());
  }

  /** An app as visitors see it now. */
  @GetMapping("/open/{app}")
  OpenView open(@PathVariable String app) {
    return view(app, releases.current(app));
  }

  /** An app as they would see the draft. */
  @GetMapping("/open/{app}/draft")
  OpenView draft(@PathVariable String app) {
    return view(app, releases.draft(app));
  }

  /** An app as they saw one of its releases. */
  @GetMapping("/open/{app}/releases/{number}")
  OpenView release(@PathVariable String app, @PathVariable long number) {
    return view(app, releases.get(app, number));
  }

  private static OpenView view(String id, Releases.Version version) {
    App app = version.app();
    return new OpenView(
        id, app.name(), version.release().orElse(null), AppViews.briefs(app), AppViews.start(app));
  }
}
