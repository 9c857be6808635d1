package org.mapsel.core.message.odata;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerStart;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.message.json.Problems;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.OperationWire.Entities.Result;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/** What an answer about entities says (OData JSON format 4.01; 2.0 JSON and Atom). */
final class EntityAnswer {

  private static final int FIRST_NOT_OK = 300;
  private static final int CHANGED_MEANWHILE = 412;
  private static final int STATE_WANTED = 428;

  /** The field that a file comes in. */
  private static final String FILE = "value";

  private final Service service;
  private final Operation operation;
  private final OperationWire.Entities wire;
  private final Response response;
  private final Findings findings = new Findings();

  EntityAnswer(
      Service service, Operation operation, OperationWire.Entities wire, Response response) {
    this.service = service;
    this.operation = operation;
    this.wire = wire;
    this.response = response;
  }

  Outcome<Answer> read(Set<FieldPath> wanted) {
    byte[] body = response.body();
    if (response.status() >= FIRST_NOT_OK) {
      return failed();
    }
    if (wire.result() == Result.FILE) {
      Value file = new BinaryValue(body);
      return Outcome.of(new Answer.Returned(RecordValue.of(Map.of(FILE, file))));
    }
    if (body.length == 0) {
      boolean mayBeEmpty = wire.result() != Result.ROWS || response.status() != 200;
      return mayBeEmpty
          ? Outcome.of(new Answer.Returned(RecordValue.empty()))
          : Outcome.failed(AnswerStart.empty(response));
    }
    if (AnswerStart.looksLikeXml(body)) {
      return AtomAnswer.read(service, operation, wire, response, wanted, findings);
    }
    try (JsonParser parser = JsonMessage.parser(body)) {
      if (wire.old()) {
        return Outcome.of(new Answer.Returned(old(parser, wanted)), findings.toList());
      }
      RecordValue value =
          JsonMessage.read(
              service.shapes(),
              operation.output(),
              parser,
              wanted,
              findings,
              EntityCodec.dialect(wire));
      return Outcome.of(new Answer.Returned(value), findings.toList());
    } catch (JacksonException e) {
      String start = AnswerStart.of(body);
      return Outcome.failed(
          start.startsWith("{") || start.startsWith("[")
              ? AnswerStart.broken(
                  Finding.error("MESSAGE_ANSWER_BROKEN", "reason", e.getOriginalMessage()), body)
              : AnswerStart.notJson(response));
    }
  }

  /** Everything of version 2.0 stands in one member d; a list there may stand without its name. */
  private RecordValue old(JsonParser parser, Set<FieldPath> wanted) {
    if (parser.currentToken() == JsonToken.START_OBJECT && "d".equals(parser.nextName())) {
      parser.nextToken();
    }
    if (wire.result() == Result.VALUE && parser.currentToken() == JsonToken.START_OBJECT) {
      // A single value stands under the name of the function.
      parser.nextName();
      parser.nextToken();
    }
    return JsonMessage.read(
        service.shapes(), operation.output(), parser, wanted, findings, EntityCodec.dialect(wire));
  }

  private Outcome<Answer> failed() {
    byte[] body = response.body();
    String start = AnswerStart.of(body);
    if (AnswerStart.wantsLogin(response)) {
      return Outcome.failed(AnswerStart.loginWanted(response));
    }
    if (response.status() == CHANGED_MEANWHILE || response.status() == STATE_WANTED) {
      findings.add(Finding.warning("ODATA_STATE_DIFFERS", "status", "" + response.status()));
    }
    if (start.startsWith("{")) {
      RecordValue detail = Problems.open(body);
      Value code = detail.at(FieldPath.of("error", "code"));
      String name = code instanceof RecordValue ? "" : ScalarText.print(code);
      return failed(
          name.isEmpty() ? String.valueOf(response.status()) : name,
          Problems.reason(detail, response),
          detail);
    }
    Optional<AtomAnswer.Problem> problem = AtomAnswer.problem(response);
    if (problem.isPresent()) {
      return failed(problem.get().code(), problem.get().message(), RecordValue.empty());
    }
    return body.length > 0 && start.startsWith("<")
        ? Outcome.failed(AnswerStart.notJson(response))
        : failed(String.valueOf(response.status()), start, RecordValue.empty());
  }

  private Outcome<Answer> failed(String code, String reason, RecordValue detail) {
    return Outcome.of(new Answer.Failed(code, reason, Optional.empty(), detail), findings.toList());
  }
}
