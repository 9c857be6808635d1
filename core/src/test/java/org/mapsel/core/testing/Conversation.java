package org.mapsel.core.testing;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;

/**
 * What is said to a service and what it answers, without a service. Texts have single quotes where
 * JSON has double ones.
 */
public record Conversation(Service service) {

  public static Conversation with(String resource) {
    return new Conversation(Descriptions.service(resource));
  }

  public Outcome<Request> request(String operation, String values) {
    Operation found = Descriptions.operation(service, operation);
    return Requests.make(service, found, found.wires().get(0).endpoint(), Client.json(values));
  }

  /** The body of a request; the codes of the findings if there is none to make. */
  public String sent(String operation, String values) {
    Outcome<Request> made = request(operation, values);
    return made.value().isPresent()
        ? new String(made.get().body(), StandardCharsets.UTF_8).replace('"', '\'')
        : codes(made).toString();
  }

  public Outcome<Answer> answer(String operation, int status, String type, String body) {
    Operation found = Descriptions.operation(service, operation);
    Response response =
        new Response(
            status,
            Map.of("Content-Type", List.of(type)),
            body.replace('\'', '"').getBytes(StandardCharsets.UTF_8));
    return Caller.answer(service, found, found.wires().get(0), response, Set.of());
  }

  /** The values of an answer in JSON, with the codes of the findings behind them if there are. */
  public String returned(String operation, String body) {
    Outcome<Answer> read = answer(operation, 200, "application/json", body);
    String values =
        ValueJson.write(((Answer.Returned) read.get()).value()).toString().replace('"', '\'');
    return read.findings().isEmpty() ? values : values + " " + codes(read);
  }

  public static List<String> codes(Outcome<?> outcome) {
    return outcome.findings().stream().map(Finding::code).toList();
  }
}
