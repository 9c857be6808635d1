package org.mapsel.core.serve;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;
import tools.jackson.databind.json.JsonMapper;

/** Asks stand-ins with our own writers, and reads what they answer. */
final class Asking {

  static final Stamp STAMP = new Stamp(Instant.EPOCH, "test", new byte[0]);

  static Outcome<Answer> call(
      StandIn standIn, Service service, String operation, RecordValue parameters) {
    Operation known = Descriptions.operation(service, operation);
    return call(standIn, service, known, known.wires().getFirst(), parameters);
  }

  static Outcome<Answer> call(
      StandIn standIn,
      Service service,
      Operation operation,
      OperationWire wire,
      RecordValue parameters) {
    Outcome<Request> request =
        Caller.request(service, operation, wire.endpoint(), parameters, Access.NONE, STAMP);
    assertThat(request.findings()).as("%s", operation.id()).noneMatch(Finding::isError);
    Served served = standIn.answer(IncomingRequest.of(request.get()).get());
    assertThat(served.operation())
        .as("%s %s", operation.id(), text(served))
        .contains(operation.id());
    return Caller.answer(service, operation, wire, served.response(), Set.of());
  }

  static String text(Served served) {
    return new String(served.response().body(), StandardCharsets.UTF_8);
  }

  static RecordValue returned(Outcome<Answer> answer) {
    assertThat(answer.findings()).noneMatch(Finding::isError);
    assertThat(answer.get()).isInstanceOf(Answer.Returned.class);
    return ((Answer.Returned) answer.get()).value();
  }

  static RecordValue record(String json) {
    return ValueJson.readRecord(new JsonMapper().readTree(json.replace('\'', '"')));
  }

  static IncomingRequest ask(String method, String path, String query, String body) {
    return new IncomingRequest(
        method,
        path,
        query,
        Map.of("Content-Type", List.of("application/json")),
        body.replace('\'', '"').getBytes(StandardCharsets.UTF_8));
  }

  private Asking() {}
}
