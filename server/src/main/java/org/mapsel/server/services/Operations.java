package org.mapsel.server.services;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.DerivedValues;
import org.mapsel.core.mapping.HandedOn;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.http.RecordedText;
import org.mapsel.core.model.Model;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.SeenFields;
import org.mapsel.core.service.Fault;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.Value;
import org.mapsel.server.samples.LastSamples;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.services.ServiceViews.CutView;
import org.mapsel.server.services.ServiceViews.EndpointView;
import org.mapsel.server.services.ServiceViews.FaultView;
import org.mapsel.server.services.ServiceViews.GivenView;
import org.mapsel.server.services.ServiceViews.LinkView;
import org.mapsel.server.services.ServiceViews.OperationColumns;
import org.mapsel.server.services.ServiceViews.OperationView;
import org.mapsel.server.services.ServiceViews.SampleView;
import org.mapsel.server.services.ServiceViews.SentView;
import org.mapsel.server.services.ServiceViews.StretchView;
import org.mapsel.server.services.ServiceViews.TryRequest;
import org.mapsel.server.services.ServiceViews.TryView;
import org.mapsel.server.values.Trimmed;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Operations with their field sheets, and trying them. */
@Component
public class Operations {

  private final Workspace workspace;
  private final Editions editions;
  private final Recorder recorder;
  private final LastSamples last;
  private final AddedSamples learning;

  Operations(
      Workspace workspace,
      Editions editions,
      Recorder recorder,
      LastSamples last,
      AddedSamples learning) {
    this.last = last;
    this.workspace = workspace;
    this.editions = editions;
    this.recorder = recorder;
    this.learning = learning;
  }

  /** What tables say of operations; those that the edition has not are left out. */
  List<OperationColumns> columns(String edition, List<OperationId> ids) {
    Service service = editions.get(edition).service();
    return ids.stream()
        .distinct()
        .flatMap(id -> service.findOperation(id).stream())
        .map(operation -> Describe.columns(service, operation))
        .toList();
  }

  /** An operation as it was read last. */
  OperationView view(String serviceId, String operationId) {
    String newest = workspace.kept(serviceId).edition();
    return view(serviceId, newest, new OperationId(operationId), Model.EMPTY, Optional.empty());
  }

  /**
   * An operation of an edition.
   *
   * @param model the model of the app that it is looked at for
   * @param shown the name of the sample that is shown; nothing for what was answered last
   */
  public OperationView view(
      String serviceId,
      String edition,
      OperationId operationId,
      Model model,
      Optional<String> shown) {
    ServiceStore.Kept kept = workspace.kept(serviceId);
    Service service = editions.get(edition).service();
    Operation operation = operation(service, operationId.text());
    List<EndpointView> endpoints =
        Describe.endpoints(service).stream()
            .filter(endpoint -> operation.wire(new EndpointId(endpoint.id())).isPresent())
            .toList();
    LastSamples.Sample sample = last.sample(serviceId, service, operation, shown);
    Value known = sample.isKnown() ? sample.answer() : Value.ABSENT;
    boolean learns = learning.isPossible(kept);
    // Where answers are learnt for good, fields get their places by that.
    Service seen = learns ? service : SeenFields.in(service, operation, known);
    ShapeId output = seen.getOperation(operation.id()).output();
    Trimmed answer =
        Trimmed.of(new DerivedValues(model, serviceId, seen.shapes()).in(sample.answer(), output));
    FieldViews fields = new FieldViews(serviceId, model);
    return new OperationView(
        serviceId,
        kept.name(),
        edition,
        operation.id().text(),
        operation.name(),
        Describe.effect(operation),
        operation.documentation(),
        operation
            .wire(kept.endpoint())
            .map(wire -> wire.endpoint().text())
            .or(() -> endpoints.stream().map(EndpointView::id).findFirst())
            .orElse(kept.endpoint().text()),
        endpoints,
        fields.goesIn(service.shapes(), operation.input()),
        fields.comesBack(seen.shapes(), output, known),
        operation.faults().stream().map(Fault::name).toList(),
        learns,
        RecordedText.of(service, operation).map(Operations::given).orElse(null),
        links(kept, service, operation, sample),
        new SampleView(
            sample.origin().label(),
            ValueJson.writeForDoubles(sample.parameters()),
            ValueJson.writeForDoubles(answer.value()),
            cut(answer.cut()),
            sample.sent().map(Operations::sent).orElse(null),
            sample.failure().orElse(null)));
  }

  private static GivenView given(RecordedText text) {
    return new GivenView(
        stretches(text.address()),
        text.headers().stream().map(Operations::stretches).toList(),
        stretches(text.body()));
  }

  private static List<StretchView> stretches(List<RecordedText.Stretch> stretches) {
    return stretches.stream()
        .map(stretch -> new StretchView(stretch.text(), stretch.path()))
        .toList();
  }

  /** Those that lead to an operation which was taken in too. */
  private List<LinkView> links(
      ServiceStore.Kept kept, Service service, Operation operation, LastSamples.Sample sample) {
    if (!sample.isKnown() || operation.links().isEmpty()) {
      return List.of();
    }
    Set<OperationId> taken = workspace.taken(kept.id());
    return operation.links().stream()
        .filter(link -> taken.contains(link.target()))
        .map(
            link ->
                new LinkView(
                    link.name(),
                    link.target().text(),
                    service.getOperation(link.target()).name(),
                    link.documentation(),
                    ValueJson.write(
                        HandedOn.over(
                            link, service, operation, sample.parameters(), sample.answer()))))
        .toList();
  }

  private static Operation operation(Service service, String id) {
    return service
        .findOperation(new OperationId(id))
        .orElseThrow(() -> Problem.missing("SERVER_OPERATION_MISSING", "operation", id));
  }

  private static SentView sent(Recorder.Sent sent) {
    return new SentView(sent.exchange(), sent.status(), sent.tookMillis(), sent.startedAt());
  }

  TryView tryIt(String serviceId, String operationId, TryRequest request) {
    if (!request.parameters().isObject()) {
      throw Problem.refused(Finding.error("SERVER_VALUES_MALFORMED"));
    }
    Service service =
        editions
            .get(Objects.requireNonNullElse(request.edition(), workspace.kept(serviceId).edition()))
            .service();
    Operation operation = operation(service, operationId);
    Recorder.Recorded recorded =
        recorder.call(
            new Recorder.Wanted(
                serviceId,
                service,
                operation,
                request.endpoint(),
                ValueJson.readRecord(request.parameters()),
                Set.of()));
    if (recorded.sent().isPresent()) {
      last.keep(serviceId, service, operation, request.parameters(), recorded);
    }
    Optional<Answer> answer = recorded.result().answer();
    Trimmed value =
        answer
            .filter(Answer.Returned.class::isInstance)
            .map(given -> Trimmed.of(((Answer.Returned) given).value()))
            .orElse(Trimmed.of(Value.ABSENT));
    return new TryView(
        value.value().isAbsent() ? null : ValueJson.writeForDoubles(value.value()),
        cut(value.cut()),
        answer
            .filter(Answer.Failed.class::isInstance)
            .map(given -> fault((Answer.Failed) given))
            .orElse(null),
        FindingView.of(recorded.result().findings()),
        recorded.sent().map(Operations::sent).orElse(null));
  }

  private static List<CutView> cut(Map<FieldPath, Integer> cut) {
    return cut.entrySet().stream()
        .map(entry -> new CutView(entry.getKey(), entry.getValue()))
        .toList();
  }

  private static FaultView fault(Answer.Failed failed) {
    return new FaultView(
        failed.code(),
        failed.reason(),
        failed.fault().orElse(null),
        ValueJson.write(failed.detail()));
  }
}
