package org.mapsel.server.apps;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.check.Checked;
import org.mapsel.core.page.check.EditionMove;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.FollowField;
import org.mapsel.core.page.edit.MoveToEdition;
import org.mapsel.core.page.edit.Together;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.verify.SampleMove;
import org.mapsel.server.apps.AppViews.AppFindingView;
import org.mapsel.server.apps.DriftViews.DifferenceView;
import org.mapsel.server.apps.DriftViews.DriftView;
import org.mapsel.server.apps.DriftViews.MoveView;
import org.mapsel.server.apps.DriftViews.PreviewRequest;
import org.mapsel.server.apps.DriftViews.ReleasedUserView;
import org.mapsel.server.apps.DriftViews.SampleUserView;
import org.mapsel.server.apps.DriftViews.UserView;
import org.mapsel.server.samples.EditionSamples;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** What other editions of services do to apps, to what was released of them, and to samples. */
@Component
class Drifts {

  private final Apps apps;
  private final Releases releases;
  private final Workspace workspace;
  private final SampleStore samples;
  private final EditionSamples inEdition;
  private final SampleState state;
  private final SeenSamples seen;
  private final Clock clock;

  Drifts(
      Apps apps,
      Releases releases,
      Workspace workspace,
      SampleStore samples,
      EditionSamples inEdition,
      SampleState state,
      SeenSamples seen,
      Clock clock) {
    this.apps = apps;
    this.releases = releases;
    this.workspace = workspace;
    this.samples = samples;
    this.inEdition = inEdition;
    this.state = state;
    this.seen = seen;
    this.clock = clock;
  }

  /** What differs between the edition that the workspace uses and another one. */
  DriftView between(String service, Optional<String> to) {
    String newest =
        workspace
            .newestEdition(service)
            .orElseThrow(() -> Problem.missing("SERVER_SERVICE_MISSING", "service", service));
    String wanted = to.orElse(newest);
    Service before = described(newest);
    Service after = described(wanted);
    Map<OperationId, OperationId> renamed = Drift.renamedOperations(before, after);
    Since since = new Since(service, after);
    return new DriftView(
        newest,
        wanted,
        since.apply(newest).stream().map(DifferenceView::of).toList(),
        apps.list().stream()
            .filter(kept -> kept.app().edition(service).isPresent())
            .map(kept -> user(kept, service, wanted, since))
            .toList(),
        samples.all().stream()
            .filter(line -> line.service().equals(service))
            .flatMap(line -> sample(line, after, renamed).stream())
            .toList());
  }

  private UserView user(StoredApp kept, String service, String edition, Since since) {
    Optional<EditionMove> move = moving(kept.app(), service, edition, since);
    return new UserView(
        kept.id(),
        kept.app().name(),
        move.isEmpty(),
        move.map(one -> one.findings().size()).orElse(0),
        move.map(one -> (int) one.follows().stream().filter(FollowField.class::isInstance).count())
            .orElse(0),
        releases
            .released(kept.id())
            .map(one -> released(one, service, edition, since))
            .orElse(null));
  }

  private ReleasedUserView released(
      Releases.Version version, String service, String edition, Since since) {
    Optional<EditionMove> move = moving(version.app(), service, edition, since);
    return new ReleasedUserView(
        version.release().orElseThrow(),
        move.isEmpty(),
        move.map(one -> one.findings().size() + one.follows().size()).orElse(0));
  }

  /** Nothing if the app is there already, or does not use the service. */
  private Optional<EditionMove> moving(App app, String service, String edition, Since since) {
    return app.edition(service).filter(pinned -> !pinned.equals(edition)).isPresent()
        ? EditionMove.of(app, service, edition, apps.services(), since)
        : Optional.empty();
  }

  /** Nothing if the other edition changes nothing about the sample. */
  private Optional<SampleUserView> sample(
      SampleStore.Line line, Service after, Map<OperationId, OperationId> renamed) {
    boolean check = line.pinned().isPresent();
    OperationId id = new OperationId(line.operation());
    Optional<Operation> operation = after.findOperation(renamed.getOrDefault(id, id));
    if (operation.isEmpty()) {
      return Optional.of(
          new SampleUserView(line.operation(), line.name(), check, true, List.of(), List.of()));
    }
    Optional<SampleMove> move =
        inEdition.move(line.service(), line.kept().edition(), after, operation.get());
    return move.map(one -> sample(line, check, one))
        .filter(one -> !one.touched().isEmpty() || !one.followed().isEmpty());
  }

  private static SampleUserView sample(SampleStore.Line line, boolean check, SampleMove move) {
    Map<Boolean, List<DifferenceView>> byFollowed =
        move.touching(line.kept().parameters(), line.kept().answer()).stream()
            .collect(
                Collectors.partitioningBy(
                    move.followed()::contains,
                    Collectors.mapping(DifferenceView::of, Collectors.toList())));
    return new SampleUserView(
        line.operation(), line.name(), check, false, byFollowed.get(false), byFollowed.get(true));
  }

  /** What moving an app to another edition of a service takes; nothing is changed. */
  MoveView move(String app, String service, String edition) {
    App known = apps.get(app).app();
    EditionMove move =
        EditionMove.of(known, service, edition, apps.services(), seen)
            .orElseThrow(() -> Problem.missing("SERVER_EDITION_MISSING"));
    List<AppEdit> edits = new ArrayList<>(move.follows());
    edits.add(new MoveToEdition(service, edition));
    return new MoveView(
        move.differences().stream().map(DifferenceView::of).toList(),
        edits,
        move.findings().stream().map(found -> AppFindingView.of(found, known)).toList());
  }

  /** A page as it would be after edits, filled with samples; nothing is changed. */
  PageView preview(String app, PreviewRequest request, Locale locale) {
    App edited = apps.edited(apps.get(app).app(), new Together("", request.edits()));
    Checked checked = apps.check(edited, Optional.empty());
    Page page = Bench.page(edited, request.page());
    return new PageViews(
            checked.pages().get(page.id()).plan(),
            state.of(app, checked, page, apps.services()).state(),
            new Formats(locale),
            clock.instant(),
            true)
        .page();
  }

  private Service described(String edition) {
    return apps.services()
        .find(edition)
        .orElseThrow(() -> Problem.missing("SERVER_EDITION_MISSING"));
  }

  /** What differs since each edition that something is pinned to, told apart once. */
  private final class Since implements Function<String, List<Difference>> {

    private final String service;
    private final Service after;
    private final SeenSamples known;
    private final Map<String, List<Difference>> told = new HashMap<>();

    Since(String service, Service after) {
      this.service = service;
      this.after = after;
      this.known = seen.among(samples.operations(service));
    }

    @Override
    public List<Difference> apply(String pinned) {
      return told.computeIfAbsent(
          pinned, none -> Drift.between(described(pinned), after, service, known));
    }
  }
}
