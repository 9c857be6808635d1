package org.mapsel.core.serve;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.call.Question;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.http.HttpCodec;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Memo;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Operations that are one method on one path. */
final class RestServing implements Serving {

  private static final int BAD = 400;
  private static final JsonMapper JSON = new JsonMapper();

  private final Service service;
  private final Routes routes;
  private final HttpCodec codec = new HttpCodec();

  RestServing(Service service, EndpointId endpoint) {
    this.service = service;
    this.routes = new Routes(service, endpoint);
  }

  @Override
  public Optional<Question> read(IncomingRequest asked) {
    return routes
        .find(asked.method(), asked.path())
        .map(
            found ->
                new Question(
                    found.operation(), found.wire(), parameters(found, asked), RowQuery.ALL));
  }

  private RecordValue parameters(Routes.Found found, IncomingRequest asked) {
    ParameterReader reader = new ParameterReader(service.shapes(), asked);
    Map<String, Value> values = new LinkedHashMap<>();
    for (Field field : service.shapes().fieldsOf(found.operation().input())) {
      Value value =
          switch (field.wire()) {
            case Wire.Parameter parameter -> reader.read(field, parameter, found.values());
            case Wire.Body body -> body(found, field, asked);
            default -> Value.ABSENT;
          };
      if (!value.isAbsent()) {
        values.put(field.name(), value);
      }
    }
    return RecordValue.of(values);
  }

  private Value body(Routes.Found found, Field field, IncomingRequest asked) {
    OperationWire.Rest rest = (OperationWire.Rest) found.wire();
    if (asked.body().length == 0 || rest.body().isEmpty()) {
      return Value.ABSENT;
    }
    OperationWire.Content content = rest.body().get();
    return switch (content.media()) {
      case FORM -> form(field, new String(asked.body(), StandardCharsets.UTF_8));
      // Parts are let pass unread: nothing of them is needed for an answer.
      case MULTIPART -> Value.ABSENT;
      default -> read(found.operation(), content, field, asked);
    };
  }

  private Value form(Field field, String text) {
    ParameterReader reader =
        new ParameterReader(
            service.shapes(), new IncomingRequest("", "", "", Map.of(), new byte[0]));
    Map<String, Value> values = new LinkedHashMap<>();
    for (Map.Entry<String, String> pair : IncomingRequest.pairs(text)) {
      for (Field member : service.shapes().fieldsOf(field.shape())) {
        if (member.wire().label().equals(pair.getKey())) {
          Value value = reader.scalar(member, pair.getValue());
          Value before = values.getOrDefault(member.name(), Value.ABSENT);
          values.put(
              member.name(),
              before instanceof ListValue list
                  ? new ListValue(Stream.concat(list.items().stream(), Stream.of(value)).toList())
                  : member.isRepeated() ? ListValue.of(value) : value);
        }
      }
    }
    return RecordValue.of(values);
  }

  /** What reads answers reads the body, as one that comes back from the same operation. */
  private Value read(
      Operation operation, OperationWire.Content content, Field field, IncomingRequest asked) {
    ShapeId root = new ShapeId("", operation.id() + "/asked");
    Field whole = field.on(new Wire.Whole());
    boolean record =
        !field.isRepeated() && service.shapes().get(field.shape()) instanceof Shape.Record;
    Shapes shapes =
        service.shapes().with(Map.of(root, new Shape.Record(root, List.of(whole), false)));
    ShapeId shape = record ? field.shape() : root;
    OperationWire.Rest back =
        new OperationWire.Rest(
            new EndpointId("back"),
            "POST",
            "",
            Optional.empty(),
            List.of(),
            List.of(new OperationWire.Returned("200", Optional.of(content), Memo.of(shape))),
            Optional.empty());
    Service turned =
        new Service(service.name(), "", List.of(), List.<Operation>of(), shapes, Optional.empty());
    Outcome<Answer> read =
        codec.read(
            turned,
            operation.returning(shape),
            back,
            new Response(200, asked.headers(), asked.body()),
            Set.of());
    if (!(read.value().orElse(null) instanceof Answer.Returned returned)) {
      throw Refusal.of(BAD, read.findings());
    }
    return record ? returned.value() : returned.value().get(field.name());
  }

  @Override
  public Response write(Question question, RecordValue value) {
    OperationWire.Rest rest = (OperationWire.Rest) question.wire();
    OperationWire.Returned returned =
        rest.answers().stream()
            .filter(OperationWire.Returned::isSuccess)
            .findFirst()
            .orElse(
                new OperationWire.Returned(
                    "200", Optional.empty(), Memo.of(question.operation().output())));
    int status = status(returned.status());
    if (returned.content().isEmpty() || rest.method().equals("HEAD")) {
      return new Response(
          returned.content().isEmpty() && status == 200 ? 204 : status, Map.of(), new byte[0]);
    }
    Findings findings = new Findings();
    HttpCodec.Body body =
        HttpCodec.body(
            service.shapes(),
            returned.content().get(),
            question.operation().output(),
            value,
            findings);
    if (findings.hasErrors()) {
      throw Refusal.of(500, findings.toList());
    }
    return new Response(status, Map.of("Content-Type", List.of(body.contentType())), body.bytes());
  }

  private static int status(String announced) {
    return announced.matches("\\d{3}") ? Integer.parseInt(announced) : 200;
  }

  /** Problem details (RFC 9457). */
  @Override
  public Response refuse(Refusal refusal) {
    ObjectNode problem = JSON.createObjectNode();
    problem
        .put("status", refusal.status())
        .put("title", "Not served")
        .put("detail", refusal.reason());
    return new Response(
        refusal.status(),
        Map.of("Content-Type", List.of("application/problem+json")),
        problem.toString().getBytes(StandardCharsets.UTF_8));
  }
}
