package org.mapsel.core.serve;

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
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/**
 * The endpoints of a described service, seen from the side of those who answer: a request is
 * understood over the protocol of the endpoint that it came to, refused where the description does
 * not let it pass, and answered in the protocol's words. Safe for many threads.
 */
final class Endpoints {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "stand-in", new byte[0]);

  /** Knows what is answered. */
  interface Answerer {

    /**
     * The answer, as the operation's output has it.
     *
     * @throws Refusal if there is none
     */
    RecordValue answer(Serving.Question question, IncomingRequest asked);
  }

  private record Door(String path, EndpointId endpoint, Serving serving) {}

  private final Service service;
  private final Answerer answerer;
  private final List<Door> doors = new ArrayList<>();

  Endpoints(Service service, Answerer answerer) {
    this.service = service;
    this.answerer = answerer;
    for (Endpoint endpoint : service.endpoints()) {
      serving(endpoint)
          .ifPresent(
              serving -> doors.add(new Door(StandIn.path(endpoint), endpoint.id(), serving)));
    }
    doors.sort(Comparator.comparingInt((Door door) -> door.path().length()).reversed());
  }

  /** The family of an endpoint's protocol; nothing for one that has no operations. */
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
          case OperationWire.Http http ->
              Optional.of(new HttpBindingServing(service, endpoint.id()));
        };
      }
    }
    return Optional.empty();
  }

  /** Those that are spoken. */
  List<EndpointId> ids() {
    return doors.stream().map(Door::endpoint).toList();
  }

  /** What a request asks for; nothing if it is for nobody here. */
  Optional<ReadRequest> read(IncomingRequest asked) {
    for (Door door : doors) {
      if (asked.isBelow(door.path())) {
        try {
          Optional<Serving.Question> question = door.serving().read(asked.below(door.path()));
          if (question.isPresent()) {
            return question.map(
                known ->
                    new ReadRequest(known.operation().id(), door.endpoint(), known.parameters()));
          }
        } catch (Refusal refusal) {
          // Another door may understand it.
        }
      }
    }
    return Optional.empty();
  }

  /** Answers a request; never throws for what is in it. */
  Served answer(IncomingRequest asked) {
    Optional<Refusal> refused = Optional.empty();
    for (Door door : doors) {
      if (asked.isBelow(door.path())) {
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
    return new Served(
        Optional.empty(),
        refuse(
            asked,
            refused.orElse(new Refusal(404, "Nothing is offered at " + asked.path() + "."))));
  }

  /** Refuses a request in the words of the protocol that it came over. */
  Response refuse(IncomingRequest asked, Refusal refusal) {
    return doors.stream()
        .filter(door -> asked.isBelow(door.path()))
        .findFirst()
        .or(() -> doors.stream().findFirst())
        .map(door -> door.serving().refuse(refusal))
        .orElseGet(
            () ->
                new Response(
                    refusal.status(),
                    Map.of("Content-Type", List.of("text/plain; charset=utf-8")),
                    refusal.reason().getBytes(StandardCharsets.UTF_8)));
  }

  private Served answer(Door door, Serving.Question question, IncomingRequest asked) {
    Response response;
    try {
      check(door, question);
      response = door.serving().write(question, answerer.answer(question, asked));
    } catch (Refusal refusal) {
      response = door.serving().refuse(refusal);
    }
    return new Served(Optional.of(question.operation().id()), response);
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
