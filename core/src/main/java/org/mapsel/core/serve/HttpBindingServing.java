package org.mapsel.core.serve;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.soap.HttpBindingCodec;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Protocol;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** The HTTP GET and POST binding (WSDL 1.1, section 4). */
final class HttpBindingServing implements Serving {

  private static final int BAD = 400;

  private final Service service;
  private final HttpBindingCodec codec = new HttpBindingCodec();
  private final List<Route> routes = new ArrayList<>();

  /** An operation, and the address below the endpoint at which it is asked. */
  private record Route(Operation operation, OperationWire.Http wire, PathPattern pattern) {}

  HttpBindingServing(Service service, EndpointId endpoint) {
    this.service = service;
    for (Operation operation : service.operations()) {
      operation
          .wire(endpoint)
          .map(OperationWire.Http.class::cast)
          .ifPresent(wire -> routes.add(new Route(operation, wire, pattern(wire))));
    }
  }

  /** Brackets and braces say the same (section 4.6). */
  private static PathPattern pattern(OperationWire.Http wire) {
    return PathPattern.of(
        wire.encoding() == OperationWire.Encoding.URL_REPLACEMENT
            ? wire.location().replaceAll("\\(([^()]*)\\)", "{$1}")
            : wire.location());
  }

  @Override
  public Optional<Question> read(IncomingRequest asked) {
    boolean known = false;
    for (Route route : routes) {
      boolean inQuery = route.wire().location().contains("?");
      Optional<Map<String, String>> values =
          route.pattern().match(inQuery ? asked.path() + "?" + asked.query() : asked.path());
      String method = route.wire().protocol() == Protocol.HTTP_GET ? "GET" : "POST";
      if (values.isPresent() && method.equals(asked.method())) {
        RecordValue parameters = parameters(route, values.get(), asked);
        return Optional.of(new Question(route.operation(), route.wire(), parameters, RowQuery.ALL));
      }
      known |= values.isPresent();
    }
    if (known) {
      throw new Refusal(405, "This path is not asked with " + asked.method() + ".");
    }
    return Optional.empty();
  }

  private RecordValue parameters(Route route, Map<String, String> inPath, IncomingRequest asked) {
    boolean get = route.wire().protocol() == Protocol.HTTP_GET;
    return switch (route.wire().encoding()) {
      case URL_REPLACEMENT ->
          named(
              route.operation(),
              inPath.entrySet().stream()
                  .map(one -> Map.entry(one.getKey(), IncomingRequest.decoded(one.getValue())))
                  .toList(),
              asked);
      case URL_ENCODED ->
          named(
              route.operation(),
              get
                  ? asked.pairs()
                  : IncomingRequest.pairs(new String(asked.body(), StandardCharsets.UTF_8)),
              asked);
      case BODY -> get ? named(route.operation(), asked.pairs(), asked) : body(route, asked);
    };
  }

  /** Names stand at the top; what is in an array stands under the name of the array. */
  private RecordValue named(
      Operation operation, List<Map.Entry<String, String>> pairs, IncomingRequest asked) {
    ParameterReader reader = new ParameterReader(service.shapes(), asked);
    Map<String, Value> values = new LinkedHashMap<>();
    for (Field field : service.shapes().fieldsOf(operation.input())) {
      List<String> texts =
          pairs.stream()
              .filter(pair -> pair.getKey().equals(field.name()))
              .map(Map.Entry::getValue)
              .toList();
      if (!texts.isEmpty()) {
        values.put(field.name(), value(field, texts, reader));
      }
    }
    return RecordValue.of(values);
  }

  private Value value(Field field, List<String> texts, ParameterReader reader) {
    if (service.shapes().get(field.shape()) instanceof Shape.Record record
        && !record.fields().isEmpty()) {
      Field inner = record.fields().getFirst();
      return RecordValue.of(Map.of(inner.name(), value(inner, texts, reader)));
    }
    return field.isRepeated()
        ? new ListValue(texts.stream().map(text -> reader.scalar(field, text)).toList())
        : reader.scalar(field, texts.getFirst());
  }

  /** What reads answers reads the body, as one that comes back from the same operation. */
  private RecordValue body(Route route, IncomingRequest asked) {
    OperationWire.Http wire = route.wire();
    OperationWire.Http back =
        new OperationWire.Http(
            wire.endpoint(),
            wire.protocol(),
            wire.location(),
            wire.encoding(),
            Optional.empty(),
            wire.request());
    Outcome<Answer> read =
        codec.read(
            service,
            route.operation().returning(route.operation().input()),
            back,
            new Response(200, asked.headers(), asked.body()),
            Set.of());
    if (!(read.value().orElse(null) instanceof Answer.Returned returned)) {
      throw Refusal.of(BAD, read.findings());
    }
    return returned.value();
  }

  @Override
  public Response write(Question question, RecordValue value) {
    Findings findings = new Findings();
    HttpBindingCodec.Body body =
        HttpBindingCodec.answer(
            service.shapes(),
            question.operation(),
            (OperationWire.Http) question.wire(),
            value,
            findings);
    if (findings.hasErrors()) {
      throw Refusal.of(500, findings.toList());
    }
    return new Response(200, Map.of("Content-Type", List.of(body.contentType())), body.bytes());
  }

  /** The binding has no words for what goes wrong but those of HTTP. */
  @Override
  public Response refuse(Refusal refusal) {
    return new Response(
        refusal.status(),
        Map.of("Content-Type", List.of("text/plain; charset=utf-8")),
        refusal.reason().getBytes(StandardCharsets.UTF_8));
  }
}
