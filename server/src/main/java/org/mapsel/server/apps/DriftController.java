package org.mapsel.server.apps;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.page.App;
import org.mapsel.core.page.check.EditionMove;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.FollowField;
import org.mapsel.core.page.edit.MoveToEdition;
import org.mapsel.core.service.Service;
import org.mapsel.server.apps.AppViews.AppFindingView;
import org.mapsel.server.apps.DriftViews.DifferenceView;
import org.mapsel.server.apps.DriftViews.DriftView;
import org.mapsel.server.apps.DriftViews.MoveView;
import org.mapsel.server.apps.DriftViews.UserView;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What other editions of services do to apps. */
@RestController
@RequestMapping("/api")
class DriftController {

  private final Apps apps;
  private final Workspace workspace;

  DriftController(Apps apps, Workspace workspace) {
    this.apps = apps;
    this.workspace = workspace;
  }

  /**
   * What differs between the edition that the workspace uses and another one.
   *
   * @param to the other edition; nothing for the newest, beside which apps may still stand
   */
  @GetMapping("/services/{service}/drift")
  DriftView drift(@PathVariable String service, @RequestParam(required = false) String to) {
    String newest = newest(service);
    String wanted = to == null ? newest : to;
    return new DriftView(
        newest,
        wanted,
        Drift.between(described(newest), described(wanted)).stream()
            .map(DifferenceView::of)
            .toList(),
        apps.list().stream()
            .filter(kept -> kept.app().edition(service).isPresent())
            .map(kept -> user(kept, service, wanted))
            .toList());
  }

  private UserView user(KeptApp kept, String service, String edition) {
    boolean there = kept.app().edition(service).get().equals(edition);
    Optional<EditionMove> move =
        there ? Optional.empty() : EditionMove.of(kept.app(), service, edition, apps.services());
    return new UserView(
        kept.id(),
        kept.app().name(),
        there,
        move.map(one -> one.findings().size()).orElse(0),
        move.map(one -> (int) one.follows().stream().filter(FollowField.class::isInstance).count())
            .orElse(0));
  }

  /** What moving an app to another edition of a service takes; nothing is changed. */
  @GetMapping("/apps/{app}/moves")
  MoveView move(
      @PathVariable String app, @RequestParam String service, @RequestParam String edition) {
    App known = apps.get(app).app();
    EditionMove move =
        EditionMove.of(known, service, edition, apps.services())
            .orElseThrow(() -> Problem.missing("SERVER_EDITION_MISSING"));
    List<AppEdit> edits = new ArrayList<>(move.follows());
    edits.add(new MoveToEdition(service, edition));
    return new MoveView(
        move.differences().stream().map(DifferenceView::of).toList(),
        edits,
        move.findings().stream().map(found -> AppFindingView.of(found, known)).toList());
  }

  private String newest(String service) {
    return workspace
        .newestEdition(service)
        .orElseThrow(() -> Problem.missing("SERVER_SERVICE_MISSING", "service", service));
  }

  private Service described(String edition) {
    return apps.services()
        .find(edition)
        .orElseThrow(() -> Problem.missing("SERVER_EDITION_MISSING"));
  }
}
