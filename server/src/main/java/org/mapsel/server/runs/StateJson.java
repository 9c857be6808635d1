package org.mapsel.server.runs;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.Value;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The state of a page as JSON. Answers and arguments get their types back from their shapes. */
final class StateJson {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private StateJson() {}

  static ObjectNode write(PageState state) {
    ObjectNode json = NODES.objectNode();
    ObjectNode arguments = json.putObject("arguments");
    state.arguments().forEach((name, value) -> arguments.set(name, ValueJson.write(value)));
    ObjectNode inputs = json.putObject("inputs");
    state.inputs().forEach((id, value) -> inputs.set(id.text(), ValueJson.write(value)));
    ObjectNode chosen = json.putObject("chosen");
    state.chosen().forEach((id, row) -> chosen.put(id.text(), row.intValue()));
    ObjectNode arranged = json.putObject("arranged");
    state.arranged().forEach((id, order) -> arranged.set(id.text(), arrangement(order)));
    ObjectNode answers = json.putObject("answers");
    state.answers().forEach((id, answer) -> answers.set(id.text(), answer(answer)));
    ObjectNode waiting = json.putObject("waiting");
    state.waiting().forEach((id, one) -> waiting.set(id.text(), waiting(one)));
    state
        .asking()
        .ifPresent(
            asking -> {
              ObjectNode question = json.putObject("asking").put("words", asking.words());
              question.set("next", position(asking.next()));
              asking.conflict().ifPresent(call -> question.put("conflict", call.text()));
            });
    json.put("failure", state.failure());
    ArrayNode messages = json.putArray("messages");
    state
        .messages()
        .forEach(
            message ->
                messages.addObject().put("failed", message.failed()).put("text", message.text()));
    return json.put("turn", state.turn());
  }

  private static ObjectNode arrangement(PageState.Arrangement order) {
    ObjectNode json = NODES.objectNode();
    order.by().ifPresent(by -> json.put("by", by.text()));
    return json.put("descending", order.descending()).put("find", order.find());
  }

  private static ObjectNode position(PageState.Position position) {
    return NODES
        .objectNode()
        .put("reaction", position.reaction().text())
        .put("turn", position.turn())
        .put("failure", position.failure())
        .put("step", position.step());
  }

  private static ObjectNode waiting(PageState.Waiting waiting) {
    ObjectNode json = NODES.objectNode().put("failed", waiting.failed());
    json.set("next", position(waiting.next()));
    ArrayNode calls = json.putArray("calls");
    waiting.calls().forEach(call -> calls.add(call.text()));
    waiting
        .conflict()
        .ifPresent(
            conflict ->
                json.put("conflict", conflict.call().text()).put("changed", conflict.changed()));
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
    each(json, "inputs", (id, input) -> inputs.put(new PartId(id), ValueJson.read(input)));
    Map<PartId, Integer> chosen = new HashMap<>();
    each(json, "chosen", (id, row) -> chosen.put(new PartId(id), row.asInt()));
    Map<PartId, PageState.Arrangement> arranged = new HashMap<>();
    each(json, "arranged", (id, order) -> arranged.put(new PartId(id), arrangement(order)));
    Map<CallId, PageState.Answer> answers = new HashMap<>();
    each(
        json,
        "answers",
        (id, answer) ->
            answer(new CallId(id), answer, reach)
                .ifPresent(read -> answers.put(new CallId(id), read)));
    Map<ReactionId, PageState.Waiting> waiting = new HashMap<>();
    each(json, "waiting", (id, one) -> waiting.put(new ReactionId(id), waiting(one)));
    List<PageState.Message> messages = new ArrayList<>();
    json.path("messages")
        .forEach(
            message ->
                messages.add(
                    new PageState.Message(
                        message.path("failed").asBoolean(), message.path("text").asString(""))));
    return new PageState(
        arguments(json.path("arguments"), reach),
        inputs,
        answers,
        chosen,
        arranged,
        waiting,
        json.has("asking")
            ? Optional.of(
                new PageState.Asking(
                    json.path("asking").path("words").asString(""),
                    position(json.path("asking").path("next")),
                    conflict(json.path("asking"))))
            : Optional.empty(),
        json.path("failure").asString(""),
        messages,
        json.path("turn").asLong());
  }

  private static void each(JsonNode json, String name, BiConsumer<String, JsonNode> reader) {
    json.path(name)
        .properties()
        .forEach(member -> reader.accept(member.getKey(), member.getValue()));
  }

  /** What a page is opened with, of the types that the page says; all else is left out. */
  static Map<String, Value> arguments(JsonNode json, PageReach reach) {
    Map<String, Value> arguments = new HashMap<>();
    json.properties()
        .forEach(
            member ->
                reach
                    .outside()
                    .argument(member.getKey())
                    .map(Reach.Typed::type)
                    .flatMap(type -> argument(type, member.getValue()))
                    .ifPresent(value -> arguments.put(member.getKey(), value)));
    return arguments;
  }

  private static Optional<Value> argument(ValueType type, JsonNode json) {
    return switch (type) {
      case ValueType.Shaped shaped ->
          Optional.of(ValueJson.readRecord(json, shaped.shapes(), shaped.shape()));
      case ValueType.Simple simple ->
          json.isString()
              ? ScalarText.parse(simple.type(), json.asString())
              : Optional.of(ValueJson.read(json));
      case ValueType.Matches matches -> Optional.of(ValueJson.read(json));
      case ValueType.Unknown unknown -> Optional.of(ValueJson.read(json));
    };
  }

  private static PageState.Arrangement arrangement(JsonNode json) {
    return new PageState.Arrangement(
        json.has("by") ? Optional.of(new PartId(json.path("by").asString())) : Optional.empty(),
        json.path("descending").asBoolean(),
        json.path("find").asString(""));
  }

  private static PageState.Position position(JsonNode json) {
    return new PageState.Position(
        new ReactionId(json.path("reaction").asString("")),
        json.path("turn").asLong(),
        json.path("failure").asBoolean(),
        json.path("step").asInt());
  }

  private static PageState.Waiting waiting(JsonNode json) {
    Set<CallId> calls = new HashSet<>();
    json.path("calls").forEach(call -> calls.add(new CallId(call.asString())));
    return new PageState.Waiting(
        position(json.path("next")),
        calls,
        json.path("failed").asBoolean(),
        conflict(json).map(call -> new PageState.Conflict(call, json.path("changed").asBoolean())));
  }

  private static Optional<CallId> conflict(JsonNode json) {
    return json.has("conflict")
        ? Optional.of(new CallId(json.path("conflict").asString()))
        : Optional.empty();
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
