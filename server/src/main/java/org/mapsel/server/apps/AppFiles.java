package org.mapsel.server.apps;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.appfile.ServiceDescription;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.verify.SampleFile;
import org.mapsel.server.apps.ImportViews.ImportState;
import org.mapsel.server.apps.ImportViews.ImportView;
import org.mapsel.server.apps.ImportViews.ImportedService;
import org.mapsel.server.checks.Samples;
import org.mapsel.server.services.Editions;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Apps as files that go from one workspace to another. */
@Component
class AppFiles {

  private final Apps apps;
  private final Releases releases;
  private final Workspace workspace;
  private final Editions editions;
  private final Samples samples;

  AppFiles(Apps apps, Releases releases, Workspace workspace, Editions editions, Samples samples) {
    this.samples = samples;
    this.apps = apps;
    this.releases = releases;
    this.workspace = workspace;
    this.editions = editions;
  }

  /**
   * An app as a file.
   *
   * @param release one of its releases; nothing for the draft
   * @param descriptions whether the descriptions of its services go along
   * @param withSamples whether the named samples and checks of its services do
   */
  String write(String id, Optional<Long> release, boolean descriptions, boolean withSamples) {
    App app =
        release.map(number -> releases.get(id, number).app()).orElseGet(() -> apps.get(id).app());
    ObjectNode file =
        AppFile.write(
            app, app.services().stream().map(use -> description(use, descriptions)).toList());
    if (withSamples) {
      SampleFile.add(file, samples.of(editions(app)));
    }
    return AppFile.text(file);
  }

  private static Map<String, String> editions(App app) {
    return app.services().stream()
        .collect(Collectors.toMap(App.ServiceUse::service, App.ServiceUse::edition));
  }

  private ServiceDescription description(App.ServiceUse use, boolean documents) {
    return new ServiceDescription(
        use.service(),
        workspace.nameOf(use.service()),
        workspace.sourceOf(use.service()),
        use.edition(),
        documents
            ? editions
                .find(use.edition())
                .map(edition -> edition.description().documents())
                .orElse(List.of())
            : List.of());
  }

  /** What a file would bring, and what is missing for it. */
  ImportView look(JsonNode file) {
    App app = read(AppFile.read(file));
    return new ImportView(
        app.name(),
        AppViews.briefs(app),
        read(AppFile.descriptions(file)).stream().map(this::look).toList());
  }

  private ImportedService look(ServiceDescription wanted) {
    Optional<String> same = workspace.serviceOf(wanted.edition());
    ImportState state =
        same.isPresent()
            ? ImportState.HERE
            : wanted.documents().isEmpty() ? ImportState.MISSING : ImportState.INCLUDED;
    return new ImportedService(
        wanted.service(), wanted.name(), wanted.source(), state, same.orElse(null));
  }

  /**
   * Makes an app of a file, with all that it needs, or changes nothing.
   *
   * @param chosen services of this workspace to use for those of the file, by the file's ids
   */
  @Transactional
  StoredApp take(JsonNode file, Map<String, String> chosen) {
    App app = read(AppFile.read(file));
    Map<String, App.ServiceUse> moved = new LinkedHashMap<>();
    List<Finding> missing = new ArrayList<>();
    List<ServiceDescription> wanted = read(AppFile.descriptions(file));
    for (ServiceDescription one : wanted) {
      Optional<App.ServiceUse> known = known(one, chosen);
      if (known.isEmpty() && one.documents().isEmpty()) {
        missing.add(
            Finding.error(
                "SERVER_IMPORT_SERVICE_MISSING",
                "service",
                one.name(),
                "source",
                one.source().isEmpty() ? "its address" : one.source()));
      }
      known.ifPresent(use -> moved.put(one.service(), use));
    }
    if (!missing.isEmpty()) {
      throw Problem.refused(missing);
    }
    for (ServiceDescription one : wanted) {
      Set<OperationId> operations = operations(app, one.service());
      App.ServiceUse use =
          moved.computeIfAbsent(one.service(), absent -> added(one, operations, app));
      workspace.takeMore(use.service(), use.edition(), operations);
    }
    JsonNode here = AppFile.moved(file, moved);
    StoredApp made = apps.create(read(AppFile.read(here)));
    samples.restore(read(SampleFile.list(here)), editions(made.app()));
    return made;
  }

  private Optional<App.ServiceUse> known(ServiceDescription wanted, Map<String, String> chosen) {
    return Optional.ofNullable(chosen.get(wanted.service()))
        .map(
            service ->
                new App.ServiceUse(
                    service,
                    workspace.hasEdition(service, wanted.edition())
                        ? wanted.edition()
                        : workspace
                            .newestEdition(service)
                            .orElseThrow(
                                () ->
                                    Problem.missing("SERVER_SERVICE_MISSING", "service", service))))
        .or(
            () ->
                workspace
                    .serviceOf(wanted.edition())
                    .map(service -> new App.ServiceUse(service, wanted.edition())));
  }

  private App.ServiceUse added(ServiceDescription wanted, Set<OperationId> operations, App app) {
    Editions.Edition edition = editions.keep(wanted.source(), Intake.read(wanted.documents()));
    EndpointId endpoint =
        app.pages().stream()
            .flatMap(page -> page.calls().stream())
            .filter(call -> call.service().equals(wanted.service()))
            .map(Call::endpoint)
            .findFirst()
            .orElse(new EndpointId("main"));
    return new App.ServiceUse(
        workspace.adopt(wanted.service(), wanted.name(), edition, operations, endpoint),
        edition.id());
  }

  private static Set<OperationId> operations(App app, String service) {
    Set<OperationId> operations = new LinkedHashSet<>();
    app.pages().stream()
        .flatMap(page -> page.calls().stream())
        .filter(call -> call.service().equals(service))
        .forEach(call -> operations.add(call.operation()));
    return operations;
  }

  private static <T> T read(Outcome<T> read) {
    return read.value().orElseThrow(() -> Problem.refused(read.findings()));
  }
}
