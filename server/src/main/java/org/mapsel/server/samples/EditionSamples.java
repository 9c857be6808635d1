package org.mapsel.server.samples;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.call.Caller;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.RequestReader;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.verify.SampleMove;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Samples as an edition has their fields, with whichever they were taken. What is kept stays as it
 * was.
 */
@Component
public class EditionSamples {

  private static final int REMEMBERED = 500;

  /** Values that were seen since may tell more. */
  private static final Duration WHILE = Duration.ofMinutes(1);

  private record Between(String from, String to, OperationId operation) {}

  private final KnownEditions editions;
  private final SeenSamples seen;

  /** Where memory is wanted for something else they are given up. */
  private final Cache<Between, Optional<SampleMove>> moves =
      Caffeine.newBuilder().softValues().maximumSize(REMEMBERED).expireAfterWrite(WHILE).build();

  EditionSamples(KnownEditions editions, SeenSamples seen) {
    this.editions = editions;
    this.seen = seen;
  }

  /**
   * What it takes to read samples of another edition in this one.
   *
   * @param from the edition that they were taken with
   * @param operation as this edition has it
   * @return nothing if it is the same edition, or one of them is not known
   */
  public Optional<SampleMove> move(
      String serviceId, Optional<String> from, Service service, Operation operation) {
    Optional<String> to = editions.idOf(service);
    if (from.isEmpty() || to.isEmpty() || from.equals(to)) {
      return Optional.empty();
    }
    return moves.get(
        new Between(from.get(), to.get(), operation.id()),
        between ->
            editions
                .service(between.from)
                .flatMap(
                    before ->
                        before(before, service, operation)
                            .map(
                                was ->
                                    SampleMove.of(
                                        before, was, service, operation, serviceId, seen))));
  }

  private static Optional<Operation> before(Service before, Service service, Operation operation) {
    return before
        .findOperation(operation.id())
        .or(
            () ->
                Drift.renamedOperations(before, service).entrySet().stream()
                    .filter(one -> one.getValue().equals(operation.id()))
                    .map(Map.Entry::getKey)
                    .findFirst()
                    .flatMap(before::findOperation));
  }

  /**
   * A sample with its fields where an edition has them. What is there as it went over the wire is
   * read once more, so that it has what only this edition describes.
   */
  public SampleStore.Kept in(
      String serviceId, Service service, Operation operation, SampleStore.Kept kept) {
    return move(serviceId, kept.edition(), service, operation)
        .map(
            move ->
                new SampleStore.Kept(
                    asked(service, operation, kept)
                        .map(read -> move.parameters(kept.parameters(), read))
                        .orElseGet(() -> move.parameters(kept.parameters())),
                    kept.answer()
                        .map(
                            answer ->
                                anew(service, operation, kept)
                                    .map(read -> move.answer(answer, read))
                                    .orElseGet(() -> move.answer(answer))),
                    kept.exchange(),
                    kept.failure(),
                    kept.edition(),
                    kept.wire()))
        .orElse(kept);
  }

  /** The parameters as an edition reads what was sent, likewise. */
  private Optional<JsonNode> asked(Service service, Operation operation, SampleStore.Kept kept) {
    return kept.wire()
        .sent()
        .filter(
            sent ->
                kept.edition()
                    .flatMap(editions::service)
                    .flatMap(
                        before ->
                            before(before, service, operation)
                                .flatMap(was -> parameters(before, was, sent)))
                    .filter(then -> then.toString().equals(kept.parameters().toString()))
                    .isPresent())
        .flatMap(sent -> parameters(service, operation, sent));
  }

  /** Parameters as a service finds them in a request; nothing if it is none of the operation. */
  private static Optional<JsonNode> parameters(Service service, Operation operation, Request sent) {
    return IncomingRequest.of(sent)
        .flatMap(new RequestReader(service.only(operation))::read)
        .map(read -> ValueJson.write(read.parameters()));
  }

  /**
   * The answer as an edition reads what came. Nothing if the edition it was taken with reads it
   * otherwise than it stands there: then it was put together of several.
   */
  private Optional<JsonNode> anew(Service service, Operation operation, SampleStore.Kept kept) {
    if (kept.wire().came().isEmpty() || kept.answer().isEmpty()) {
      return Optional.empty();
    }
    Response came = kept.wire().came().get();
    return kept.edition()
        .flatMap(editions::service)
        .flatMap(
            before -> before(before, service, operation).flatMap(was -> answer(before, was, came)))
        .filter(then -> then.toString().equals(kept.answer().get().toString()))
        .flatMap(then -> answer(service, operation, came));
  }

  /** An answer as it comes over the wire, as it is kept; nothing if it cannot be read. */
  public static Optional<JsonNode> answer(Service service, Operation operation, Response came) {
    if (operation.wires().isEmpty()) {
      return Optional.empty();
    }
    return Caller.answer(service, operation, operation.wires().getFirst(), came, Set.of())
        .value()
        .filter(Answer.Returned.class::isInstance)
        .map(answer -> ValueJson.write(((Answer.Returned) answer).value()));
  }
}
