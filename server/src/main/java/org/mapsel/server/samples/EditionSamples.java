package org.mapsel.server.samples;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.verify.SampleMove;
import org.springframework.stereotype.Component;

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

  /** A sample with its fields where an edition has them. */
  public SampleStore.Kept in(
      String serviceId, Service service, Operation operation, SampleStore.Kept kept) {
    return move(serviceId, kept.edition(), service, operation)
        .map(
            move ->
                new SampleStore.Kept(
                    move.parameters(kept.parameters()),
                    kept.answer().map(move::answer),
                    kept.exchange(),
                    kept.failure(),
                    kept.edition()))
        .orElse(kept);
  }
}
