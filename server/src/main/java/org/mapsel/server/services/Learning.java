package org.mapsel.server.services;

import java.util.Optional;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.read.sample.MoreAnswers;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.services.Editions.Edition;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Services that only samples tell of get to know more of what comes back with every answer. */
@Component
class Learning {

  private static final String SAMPLE = "Sample";

  private final Workspace workspace;
  private final Editions editions;
  private final Recorder recorder;

  Learning(Workspace workspace, Editions editions, Recorder recorder) {
    this.workspace = workspace;
    this.editions = editions;
    this.recorder = recorder;
  }

  /** Whether a service is known by samples only. */
  boolean isPossible(ServiceStore.Kept kept) {
    return editions.get(kept.edition()).description().format().name().equals(SAMPLE);
  }

  /** Adds the answer of an exchange to the samples; one that is known already changes nothing. */
  void learn(String serviceId, String operationId, String exchange) {
    ServiceStore.Kept kept = workspace.kept(serviceId);
    Edition edition = editions.get(kept.edition());
    Operation operation =
        edition
            .service()
            .findOperation(new OperationId(operationId))
            .orElseThrow(
                () -> Problem.missing("SERVER_OPERATION_MISSING", "operation", operationId));
    Recorder.Answered answered =
        recorder
            .answered(exchange)
            .filter(one -> one.service().equals(serviceId) && one.operation().equals(operationId))
            .orElseThrow(() -> Problem.missing("SERVER_EXCHANGE_MISSING"));
    if (!isPossible(kept)) {
      throw Problem.refused(Finding.error("SERVER_LEARNING_NEEDLESS", "service", kept.name()));
    }
    if (!answered.whole()) {
      throw Problem.refused(Finding.error("SERVER_ANSWER_TOO_LONG"));
    }
    wider(edition, operation, answered)
        .ifPresent(
            document -> {
              Outcome<Description> read =
                  Intake.read(
                      document,
                      address ->
                          Outcome.failed(
                              Finding.error("READ_DOCUMENT_MISSING", "address", address)));
              Edition wider = editions.keep(edition.source(), read);
              workspace.move(serviceId, wider);
              recorder.rereadLast(
                  serviceId, wider.service(), wider.service().getOperation(operation.id()));
            });
  }

  private static Optional<SourceText> wider(
      Edition edition, Operation operation, Recorder.Answered answered) {
    return operation.wires().stream()
        .filter(OperationWire.Rest.class::isInstance)
        .map(OperationWire.Rest.class::cast)
        .findFirst()
        .flatMap(
            wire ->
                MoreAnswers.in(
                    edition.description().documents().get(0),
                    wire.method(),
                    wire.path(),
                    answered.status(),
                    answered.mediaType(),
                    answered.body()));
  }
}
