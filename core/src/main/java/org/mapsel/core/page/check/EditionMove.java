package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.AppEditor;
import org.mapsel.core.page.edit.MoveToEdition;
import org.mapsel.core.page.edit.Together;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;

/**
 * What it takes to move an app to another edition of a service.
 *
 * @param differences between the edition that it is pinned to and the other one, of the operations
 *     that it calls, the worst first
 * @param follows edits that follow fields which are called otherwise now; made before the move
 * @param findings what is wrong after all that and was not before, with what mends it
 */
public record EditionMove(
    List<Difference> differences, List<AppEdit> follows, List<AppFinding> findings) {

  public EditionMove {
    differences = List.copyOf(differences);
    follows = List.copyOf(follows);
    findings = List.copyOf(findings);
  }

  /**
   * Tries the move; the app stays as it is.
   *
   * @param service the service in the workspace
   * @param edition the edition to move to
   * @param seen what was sent and answered, to recognise fields by their values
   * @return nothing if the app does not use the service, or an edition is not there
   */
  public static Optional<EditionMove> of(
      App app, String service, String edition, ServiceLookup services, SeenSamples seen) {
    return of(
        app,
        service,
        edition,
        services,
        pinned ->
            Drift.between(
                services.find(pinned).orElseThrow(),
                services.find(edition).orElseThrow(),
                service,
                seen));
  }

  /**
   * Likewise for one of several apps: those that are pinned to the same edition see the same
   * differences.
   *
   * @param since what differs between an edition that is there and the one to move to
   */
  public static Optional<EditionMove> of(
      App app,
      String service,
      String edition,
      ServiceLookup services,
      Function<String, List<Difference>> since) {
    Optional<Service> before = app.edition(service).flatMap(services::find);
    Optional<Service> after = services.find(edition);
    if (before.isEmpty() || after.isEmpty()) {
      return Optional.empty();
    }
    Set<OperationId> called =
        app.pages().stream()
            .flatMap(page -> page.calls().stream())
            .filter(call -> call.service().equals(service))
            .map(Call::operation)
            .collect(Collectors.toSet());
    List<Difference> differences =
        since.apply(app.edition(service).get()).stream()
            .filter(one -> called.contains(one.operation()))
            .toList();
    List<AppEdit> follows =
        new FollowedFields(service, before.get(), after.get()).follow(differences);
    List<AppEdit> all = new ArrayList<>(follows);
    all.add(new MoveToEdition(service, edition));
    App moved = new AppEditor(services).apply(app, new Together("Move", all)).get();
    return Optional.of(new EditionMove(differences, follows, brought(app, moved, services)));
  }

  private static List<AppFinding> brought(App app, App moved, ServiceLookup services) {
    Checker checker = new Checker(services);
    Set<Finding> known =
        checker.check(app, Optional.empty()).findings().stream()
            .map(AppFinding::finding)
            .collect(Collectors.toSet());
    return checker.check(moved, Optional.empty()).findings().stream()
        .filter(found -> !known.contains(found.finding()))
        .toList();
  }
}
