package org.mapsel.core.message.http;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerPart;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.UnknownFields;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Operations that are one method on one path. */
public final class HttpCodec implements Codec {

  private static final Pattern CHARSET =
      Pattern.compile(";\\s*charset\\s*=\\s*\"?([\\w.:-]+)", Pattern.CASE_INSENSITIVE);
  private static final Pattern DECLARED =
      Pattern.compile("^\\s*<\\?xml[^>]*?encoding\\s*=\\s*[\"']([\\w.:-]+)");

  @Override
  public Outcome<Request> write(
      Service service,
      Operation operation,
      OperationWire wire,
      RecordValue values,
      Access access,
      Stamp stamp) {
    OperationWire.Rest rest = (OperationWire.Rest) wire;
    Findings findings = new Findings();
    List<Field> fields = service.shapes().fieldsOf(operation.input());
    UnknownFields.report(fields, values, Trail.ROOT, findings);
    RequestLine line = new RequestLine(service.shapes(), findings, rest.path());
    Optional<RecordedRequest> given = rest.given();
    Set<Field> there = given.map(one -> line.given(one.query(), fields, values)).orElse(Set.of());
    line.parameters(fields, values, there);
    List<Header> headers = new ArrayList<>(line.headers());
    given
        .map(RecordedRequest::headers)
        .orElse(Map.of())
        .forEach((name, value) -> headers.add(new Header(name, value, "the sample has it")));
    byte[] body = new byte[0];
    Optional<RequestBody.Written> written =
        body(service, rest, fields, values, findings, "part-" + stamp.id());
    if (written.isPresent()) {
      body = written.get().bytes();
      if (!line.has("Content-Type")) {
        headers.add(
            new Header(
                "Content-Type",
                written.get().contentType(),
                "the description wants the body in this media type"));
      }
    }
    String accepted = accepted(rest);
    boolean said = headers.stream().anyMatch(header -> header.name().equalsIgnoreCase("Accept"));
    if (!said && !accepted.isEmpty()) {
      headers.add(new Header("Accept", accepted, "what the description announces comes back"));
    }
    headers.addAll(AccessHeaders.of(access));
    if (findings.hasErrors()) {
      return Outcome.failed(findings.toList());
    }
    String endpoint = service.findEndpoint(wire.endpoint()).map(Endpoint::address).orElse("");
    return Outcome.of(
        new Request(
            rest.method(), AccessHeaders.address(line.address(endpoint), access), headers, body),
        findings.toList());
  }

  private static Optional<RequestBody.Written> body(
      Service service,
      OperationWire.Rest rest,
      List<Field> fields,
      RecordValue values,
      Findings findings,
      String boundary) {
    Optional<Field> field =
        fields.stream().filter(one -> one.wire() instanceof Wire.Body).findFirst();
    if (field.isEmpty() || rest.body().isEmpty()) {
      return Optional.empty();
    }
    Value value = values.get(field.get().name());
    Optional<RequestBody.Written> given =
        rest.given()
            .filter(one -> !one.body().isEmpty())
            .flatMap(one -> given(service.shapes(), rest, one, field.get(), value, findings));
    if (given.isPresent()) {
      return given;
    }
    return written(service, rest, field.get(), value, findings, boundary);
  }

  /** Nothing if what was given has no place for a value. */
  private static Optional<RequestBody.Written> given(
      Shapes shapes,
      OperationWire.Rest rest,
      RecordedRequest given,
      Field field,
      Value value,
      Findings findings) {
    OperationWire.Content content = rest.body().orElseThrow();
    Findings about = new Findings();
    Trail path = Trail.ROOT.then(field.name());
    Optional<String> filled =
        RecordedBody.fill(
            shapes,
            new RecordedNotation(shapes, about, content.media()),
            given.body(),
            new RecordedBody.Scope(field, shapes.fieldsOf(field.shape()), value, path));
    if (filled.isEmpty()) {
      return Optional.empty();
    }
    about.toList().forEach(findings::add);
    Charset charset = charset(content.mediaType(), filled.get());
    if (!charset.newEncoder().canEncode(filled.get())) {
      findings.add(path.error("MESSAGE_CHARACTER_REFUSED"));
    }
    return Optional.of(
        new RequestBody.Written(content.mediaType(), filled.get().getBytes(charset)));
  }

  /** What a text that was given is sent in: as it says, or as it is said of it. */
  private static Charset charset(String mediaType, String text) {
    for (Matcher named : List.of(CHARSET.matcher(mediaType), DECLARED.matcher(text))) {
      if (named.find()) {
        try {
          return Charset.forName(named.group(1));
        } catch (IllegalArgumentException e) {
          // Nobody could read that either.
          return StandardCharsets.UTF_8;
        }
      }
    }
    return StandardCharsets.UTF_8;
  }

  private static Optional<RequestBody.Written> written(
      Service service,
      OperationWire.Rest rest,
      Field field,
      Value given,
      Findings findings,
      String boundary) {
    Value value = given;
    if (value.isAbsent()
        && field.isRequired()
        && service.shapes().get(field.shape()) instanceof Shape.Record) {
      // What must be in it may have a value of its own.
      value = RecordValue.empty();
    }
    if (value.isAbsent()) {
      if (field.isRequired()) {
        findings.add(Trail.ROOT.then(field.name()).error("MESSAGE_PARAMETER_MISSING"));
      }
      return Optional.empty();
    }
    return Optional.of(
        new RequestBody(service.shapes(), findings, boundary)
            .write(rest.body().orElseThrow(), field, value));
  }

  /** A body as it goes over the wire. */
  public record Body(String contentType, byte[] bytes) {}

  /**
   * The body of an answer, for those who answer.
   *
   * @param output the shape of what comes back
   */
  public static Body body(
      Shapes shapes,
      OperationWire.Content content,
      ShapeId output,
      RecordValue value,
      Findings findings) {
    List<Field> fields = shapes.fieldsOf(output);
    boolean whole = fields.size() == 1 && !isMember(fields.getFirst());
    Field field =
        whole ? fields.getFirst() : Field.of("answer", output, Occurrence.ONE, new Wire.Body());
    Value answered = whole ? value.get(field.name()) : value;
    if (content.media() == OperationWire.Media.JSON) {
      return new Body(
          content.mediaType().replace("*/*", "application/json"),
          JsonMessage.answer(shapes, field, answered, Trail.ROOT, findings));
    }
    RequestBody.Written written =
        new RequestBody(shapes, findings, "part").write(content, field, answered);
    return new Body(written.contentType(), written.bytes());
  }

  private static boolean isMember(Field field) {
    return !(field.wire() instanceof Wire.Whole || field.wire() instanceof Wire.Body);
  }

  private static String accepted(OperationWire.Rest rest) {
    String announced =
        rest.answers().stream()
            .flatMap(answer -> answer.content().stream())
            .map(OperationWire.Content::mediaType)
            .distinct()
            .collect(Collectors.joining(", "));
    // Whatever else comes is better than a refusal to answer: it is shown as it is.
    return announced.isEmpty() || announced.contains("*/*") ? announced : announced + ", */*;q=0.1";
  }

  @Override
  public Outcome<Answer> read(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Set<FieldPath> wanted) {
    return new HttpAnswer(service, operation, (OperationWire.Rest) wire, response)
        .read(Paging.of(service.shapes(), operation).with(wanted));
  }

  @Override
  public Optional<String> next(AnswerPart part) {
    return Paging.of(part.service().shapes(), part.operation()).next(part);
  }

  @Override
  public RecordValue joined(RecordValue before, AnswerPart part) {
    return Paging.of(part.service().shapes(), part.operation()).joined(before, part);
  }
}
