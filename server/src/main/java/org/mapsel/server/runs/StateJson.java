package org.mapsel.server.runs;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The state of a page as JSON. Answers get their types back from the shapes they are of. */
final class StateJson {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private StateJson() {}

  static ObjectNode write(PageState state) {
    ObjectNode json = NODES.objectNode();
    ObjectNode inputs = json.putObject("inputs");
    state.inputs().forEach((id, value) -> inputs.set(id.text(), ValueJson.write(value)));
    ObjectNode chosen = json.putObject("chosen");
    state.chosen().forEach((id, row) -> chosen.put(id.text(), row.intValue()));
    ObjectNode answers = json.putObject("answers");
    state.answers().forEach((id, answer) -> answers.set(id.text(), answer(answer)));
    ArrayNode messages = json.putArray("messages");
    state
        .messages()
        .forEach(
            message ->
                messages.addObject().put("failed", message.failed()).put("text", message.text()));
    return json;
  }

  private static ObjectNode answer(PageState.Answer answer) {
    ObjectNode json = NODES.objectNode();
    switch (answer) {
      case PageState.Answer.Asked asked -> json.put("kind", "asked");
      case PageState.Answer.Failed failed ->
          json.put("kind", "failed").put("reason", failed.reason());
      case PageState.Answer.Answered answered -> {
        json.put("kind", "answered").put("exchange", answered.exchange());
        json.set("value", ValueJson.write(answered.value()));
      }
    }
    return json;
  }

  static PageState read(JsonNode json, PageReach reach) {
    Map<PartId, Value> inputs = new HashMap<>();
    json.path("inputs")
        .properties()
        .forEach(input -> inputs.put(new PartId(input.getKey()), ValueJson.read(input.getValue())));
    Map<PartId, Integer> chosen = new HashMap<>();
    json.path("chosen")
        .properties()
        .forEach(row -> chosen.put(new PartId(row.getKey()), row.getValue().asInt()));
    Map<CallId, PageState.Answer> answers = new HashMap<>();
    json.path("answers")
        .properties()
        .forEach(
            answer ->
                answer(new CallId(answer.getKey()), answer.getValue(), reach)
                    .ifPresent(read -> answers.put(new CallId(answer.getKey()), read)));
    List<PageState.Message> messages = new ArrayList<>();
    json.path("messages")
        .forEach(
            message ->
                messages.add(
                    new PageState.Message(
                        message.path("failed").asBoolean(), message.path("text").asString(""))));
    return new PageState(Map.of(), inputs, answers, chosen, messages);
  }

  /** An answer of a call that is not on the page any more is of no use. */
  private static Optional<PageState.Answer> answer(CallId call, JsonNode json, PageReach reach) {
    return switch (json.path("kind").asString("")) {
      case "failed" -> Optional.of(new PageState.Answer.Failed(json.path("reason").asString("")));
      case "answered" ->
          reach
              .pinned(call)
              .map(
                  pinned ->
                      new PageState.Answer.Answered(
                          ValueJson.readRecord(
                              json.path("value"),
                              pinned.service().shapes(),
                              pinned.operation().output()),
                          json.path("exchange").asString("")));
      default -> Optional.of(new PageState.Answer.Asked());
    };
  }
}
