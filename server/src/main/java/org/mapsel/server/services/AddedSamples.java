package org.mapsel.server.services;

import java.util.List;
import java.util.Set;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Bundle;
import org.mapsel.core.intake.Found;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.read.sample.SampleChanges;
import org.mapsel.core.read.sample.Secrets;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.server.samples.LastSamples;
import org.mapsel.server.samples.LoggedMessages;
import org.mapsel.server.services.Editions.Edition;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Services that only samples tell of: what is added to the samples later. */
@Component
class AddedSamples {

  private static final String SAMPLE = "Sample";

  private final Workspace workspace;
  private final Editions editions;
  private final LoggedMessages messages;
  private final LastSamples last;

  AddedSamples(Workspace workspace, Editions editions, LoggedMessages messages, LastSamples last) {
    this.workspace = workspace;
    this.editions = editions;
    this.messages = messages;
    this.last = last;
  }

  /** Whether a service is known by samples only. */
  boolean isPossible(ServiceStore.Kept kept) {
    return editions.get(kept.edition()).description().format().name().equals(SAMPLE);
  }

  /** Adds the answer of an exchange to the samples; one that is known already changes nothing. */
  void learn(String serviceId, String operationId, String exchange) {
    Sampled sampled = sampled(serviceId, operationId);
    LoggedMessages.Answered answered =
        messages
            .answered(exchange)
            .filter(one -> one.service().equals(serviceId) && one.operation().equals(operationId))
            .orElseThrow(() -> Problem.missing("SERVER_EXCHANGE_MISSING"));
    if (!answered.whole()) {
      throw Problem.refused(Finding.error("SERVER_ANSWER_TOO_LONG"));
    }
    SampleChanges.withAnswer(
            sampled.document(),
            sampled.wire(),
            answered.status(),
            answered.mediaType(),
            answered.body())
        .ifPresent(
            wider -> {
              Service service = read(serviceId, sampled, wider);
              last.reread(serviceId, service, service.getOperation(sampled.operation().id()));
            });
  }

  /** Makes a value of the request a parameter, or one that is sent as it was given again. */
  void mark(String serviceId, String operationId, FieldPath path, boolean parameter) {
    Sampled sampled = sampled(serviceId, operationId);
    List<Field> way = sampled.edition().service().shapes().way(sampled.operation().input(), path);
    if (way.isEmpty()) {
      throw Problem.refused(Finding.error("MESSAGE_FIELD_UNKNOWN", "field", path.toString()));
    }
    SampleChanges.withMark(sampled.document(), sampled.wire(), way, parameter)
        .ifPresent(changed -> read(serviceId, sampled, changed));
  }

  /** An operation that only samples tell of. */
  private record Sampled(Edition edition, Operation operation, OperationWire.Rest wire) {

    SourceText document() {
      return edition.description().documents().get(0);
    }
  }

  private Sampled sampled(String serviceId, String operationId) {
    ServiceStore.Kept kept = workspace.kept(serviceId);
    Edition edition = editions.get(kept.edition());
    Operation operation =
        edition
            .service()
            .findOperation(new OperationId(operationId))
            .orElseThrow(
                () -> Problem.missing("SERVER_OPERATION_MISSING", "operation", operationId));
    if (!isPossible(kept)) {
      throw Problem.refused(Finding.error("SERVER_LEARNING_NEEDLESS", "service", kept.name()));
    }
    return new Sampled(edition, operation, (OperationWire.Rest) operation.wires().get(0));
  }

  /** Reads the samples as they are now, which becomes the edition in use. */
  private Service read(String serviceId, Sampled sampled, SourceText document) {
    // What looks secret and was kept is known to be none.
    Set<String> plain = Secrets.namesIn(sampled.document());
    Outcome<Found> found =
        Intake.look(
            Bundle.of("", List.of(document)).get().plain(plain),
            address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
    Edition changed = editions.keep(sampled.edition().source(), Intake.single(found));
    workspace.move(serviceId, changed);
    return changed.service();
  }
}
