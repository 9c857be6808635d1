package org.mapsel.core.serve;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/**
 * A service that is played from its description: it understands what is asked over each of its
 * protocols, refuses what the description does not let pass, remembers what is created, changed and
 * deleted, and answers with what was recorded or with made-up values. Safe for many threads.
 */
public final class StandIn {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "stand-in", new byte[0]);

  private record Door(String path, EndpointId endpoint, Serving serving) {}

  private final Service service;
  private final Answers answers;
  private final Memory memory;
  private final List<Door> doors = new ArrayList<>();

  public StandIn(Service service, Recorded recorded) {
    this.service = service;
    this.answers = new Answers(service.shapes(), recorded);
    this.memory = new Memory(service, answers);
    for (Endpoint endpoint : service.endpoints()) {
      serving(endpoint)
          .ifPresent(serving -> doors.add(new Door(path(endpoint), endpoint.id(), serving)));
    }
    doors.sort(Comparator.comparingInt((Door door) -> door.path().length()).reversed());
  }

  /** The path of an endpoint's address, without a slash at its end. */
  public static String path(Endpoint endpoint) {
    try {
      String path = URI.create(endpoint.address()).getRawPath();
      return path == null ? "" : path.replaceFirst("/$", "");
    } catch (IllegalArgumentException e) {
      // Descriptions hold placeholders where an address should be.
      return "";
    }
  }

  /** The family of an endpoint's protocol; nothing for those that no stand-in speaks. */
  private Optional<Serving> serving(Endpoint endpoint) {
    for (Operation operation : service.operations()) {
      Optional<OperationWire> wire = operation.wire(endpoint.id());
      if (wire.isPresent()) {
        return switch (wire.get()) {
          case OperationWire.Soap soap ->
              Optional.of(new SoapServing(service, endpoint.id(), endpoint.protocol()));
          case OperationWire.Rest rest -> Optional.of(new RestServing(service, endpoint.id()));
          case OperationWire.Entities entities ->
              Optional.of(new EntityServing(service, endpoint.id(), entities.old()));
          case OperationWire.Http http -> Optional.empty();
        };
      }
    }
    return Optional.empty();
  }

  /** The endpoints that are played. */
  public List<EndpointId> endpoints() {
    return doors.stream().map(Door::endpoint).toList();
  }

  /**
   * What a request comes to.
   *
   * @param operation nothing if none was asked for
   */
  public record Served(Optional<OperationId> operation, Response response) {}

  /** Answers a request; never throws for what is in it. */
  public Served answer(IncomingRequest asked) {
    Optional<Refusal> refused = Optional.empty();
    Optional<Door> last = Optional.empty();
    for (Door door : doors) {
      if (isBelow(asked.path(), door.path())) {
        last = last.or(() -> Optional.of(door));
        try {
          Optional<Serving.Question> question = door.serving().read(asked.below(door.path()));
          if (question.isPresent()) {
            return answer(door, question.get(), asked);
          }
        } catch (Refusal refusal) {
          refused = refused.or(() -> Optional.of(refusal));
        }
      }
    }
    Refusal refusal =
        refused.orElse(new Refusal(404, "Nothing is offered at " + asked.path() + "."));
    return new Served(
        Optional.empty(),
        last.or(() -> doors.stream().findFirst())
            .map(door -> door.serving().refuse(refusal))
            .orElseGet(
                () ->
                    new Response(
                        refusal.status(),
                        Map.of("Content-Type", List.of("text/plain; charset=utf-8")),
                        refusal.reason().getBytes(StandardCharsets.UTF_8))));
  }

  private static boolean isBelow(String path, String base) {
    return path.equals(base) || path.startsWith(base.isEmpty() ? "/" : base + "/");
  }

  private Served answer(Door door, Serving.Question question, IncomingRequest asked) {
    Operation operation = question.operation();
    Response response;
    try {
      check(door, question);
      RecordValue value =
          memory
              .answer(question, asked)
              .orElseGet(() -> answers.of(operation, question.parameters()));
      response = door.serving().write(question, value);
    } catch (Refusal refusal) {
      response = door.serving().refuse(refusal);
    }
    return new Served(Optional.of(operation.id()), response);
  }

  /** What could not have been sent by those who keep to the description is refused. */
  private void check(Door door, Serving.Question question) {
    List<Finding> errors =
        Caller.request(
                service,
                question.operation(),
                door.endpoint(),
                question.parameters(),
                Access.NONE,
                STAMP)
            .findings()
            .stream()
            .filter(Finding::isError)
            .toList();
    if (!errors.isEmpty()) {
      throw Refusal.of(400, errors);
    }
  }
}
