package org.mapsel.core.message.http;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerStart;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.message.json.Problems;
import org.mapsel.core.message.soap.XmlBody;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.OperationWire.Media;
import org.mapsel.core.service.OperationWire.Returned;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JacksonException;

/** What an answer says, by its status and media type. */
final class HttpAnswer {

  private static final int FIRST_OK = 200;
  private static final int FIRST_NOT_OK = 300;

  /** What a text that is no UTF-8 is nearly always written in. */
  private static final Charset WINDOWS = Charset.forName("windows-1252");

  private static final Pattern CHARSET =
      Pattern.compile("charset=\"?([^\";,\\s]+)", Pattern.CASE_INSENSITIVE);

  private final Service service;
  private final Operation operation;
  private final OperationWire.Rest wire;
  private final Response response;
  private final Findings findings = new Findings();

  HttpAnswer(Service service, Operation operation, OperationWire.Rest wire, Response response) {
    this.service = service;
    this.operation = operation;
    this.wire = wire;
    this.response = response;
  }

  Outcome<Answer> read(Set<FieldPath> wanted) {
    boolean worked = response.status() >= FIRST_OK && response.status() < FIRST_NOT_OK;
    if (!worked) {
      return failed();
    }
    Shapes shapes = service.shapes();
    boolean announced = !shapes.fieldsOf(operation.output()).isEmpty();
    if (response.body().length == 0) {
      boolean mayBeEmpty =
          !announced || response.status() != FIRST_OK || wire.method().equals("HEAD");
      return mayBeEmpty
          ? Outcome.of(new Answer.Returned(RecordValue.empty()))
          : Outcome.failed(AnswerStart.empty(response));
    }
    if (!announced) {
      return Outcome.of(new Answer.Returned(RecordValue.empty()));
    }
    Media expected =
        returned().flatMap(Returned::content).map(content -> content.media()).orElse(Media.JSON);
    Outcome<RecordValue> read = body(operation.output(), expected, wanted);
    return new Outcome<>(read.value().map(Answer.Returned::new), read.findings());
  }

  /** The answer announced for this status, the most exact one first. */
  private Optional<Returned> returned() {
    String status = String.valueOf(response.status());
    return wire.answers().stream()
        .filter(answer -> answer.status().equals(status))
        .findFirst()
        .or(
            () ->
                wire.answers().stream()
                    .filter(answer -> answer.isFor(response.status()))
                    .filter(answer -> !answer.status().equals("default"))
                    .findFirst())
        .or(
            () ->
                wire.answers().stream()
                    .filter(answer -> answer.isFor(response.status()))
                    .findFirst());
  }

  /** The media of the answer: what it says it is, unless its first character says otherwise. */
  private Media actual(Media expected) {
    String type = AnswerStart.mediaType(response);
    String start = AnswerStart.of(response.body());
    boolean json = start.startsWith("{") || start.startsWith("[");
    Media said = type.isEmpty() ? expected : Media.of(type);
    if (isAnything() && !json) {
      return said == Media.XML || said == Media.JSON ? Media.TEXT : said;
    }
    if (json && said != Media.JSON && expected == Media.JSON) {
      findings.add(Finding.warning("MESSAGE_MEDIA_TYPE_NOT_JSON", "type", type));
      return Media.JSON;
    }
    if (said == Media.BINARY && expected == Media.TEXT) {
      return Media.TEXT;
    }
    if ((said == Media.BINARY || said == Media.TEXT) && expected == Media.CSV) {
      return Media.CSV;
    }
    return said;
  }

  /** Whether nobody knows what comes, so that it is taken as it is. */
  private boolean isAnything() {
    return returned()
        .flatMap(Returned::content)
        .filter(one -> one.mediaType().equals("*/*"))
        .isPresent();
  }

  private Outcome<RecordValue> body(ShapeId shape, Media expected, Set<FieldPath> wanted) {
    Media media = actual(expected);
    byte[] body = response.body();
    if ((expected == Media.JSON || expected == Media.XML) && media != expected && !isAnything()) {
      return Outcome.failed(
          expected == Media.JSON ? AnswerStart.notJson(response) : AnswerStart.notXml(response));
    }
    try {
      return switch (media) {
        case JSON -> outcome(json(shape, body, wanted));
        case XML -> xml(shape, body, wanted);
        case CSV -> csv(shape, body, wanted);
        case TEXT, FORM -> outcome(whole(shape, new TextValue(text(body))));
        case BINARY, MULTIPART -> outcome(whole(shape, new BinaryValue(body)));
      };
    } catch (JacksonException e) {
      boolean json = AnswerStart.of(body).matches("(?s)[\\[{\"\\d-].*|true.*|false.*|null.*");
      return Outcome.failed(
          json
              ? AnswerStart.broken(
                  Finding.error("MESSAGE_ANSWER_BROKEN", "reason", e.getOriginalMessage()), body)
              : AnswerStart.notJson(response));
    }
  }

  /** JSON is UTF-8 (RFC 8259, section 8.1), but not every service knows. */
  private RecordValue json(ShapeId shape, byte[] body, Set<FieldPath> wanted) {
    Shapes shapes = service.shapes();
    try {
      return JsonMessage.read(shapes, shape, body, wanted, findings);
    } catch (JacksonException e) {
      if (isUtf8(body)) {
        throw e;
      }
    }
    findings.add(Finding.warning("MESSAGE_ENCODING_CORRECTED", "charset", WINDOWS.name()));
    byte[] decoded = new String(body, WINDOWS).getBytes(StandardCharsets.UTF_8);
    return JsonMessage.read(shapes, shape, decoded, wanted, findings);
  }

  private static boolean isUtf8(byte[] body) {
    try {
      StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(body));
      return true;
    } catch (CharacterCodingException e) {
      return false;
    }
  }

  private Outcome<RecordValue> outcome(RecordValue value) {
    return Outcome.of(value, findings.toList());
  }

  private Outcome<RecordValue> xml(ShapeId shape, byte[] body, Set<FieldPath> wanted) {
    if (!AnswerStart.looksLikeXml(body)) {
      return Outcome.failed(AnswerStart.notXml(response));
    }
    try {
      return outcome(XmlBody.read(service.shapes(), shape, body, wanted, findings));
    } catch (DocumentException e) {
      return Outcome.failed(AnswerStart.broken(e.finding(), body));
    }
  }

  private Outcome<RecordValue> csv(ShapeId shape, byte[] body, Set<FieldPath> wanted) {
    List<Field> fields = service.shapes().fieldsOf(shape);
    if (fields.isEmpty() || !CsvBody.holdsRows(service.shapes(), fields.get(0))) {
      return outcome(whole(shape, new TextValue(text(body))));
    }
    return CsvBody.read(service.shapes(), fields.get(0), text(body), wanted, findings)
        .map(this::outcome)
        .orElseGet(
            () ->
                Outcome.failed(
                    AnswerStart.broken(
                        Finding.error(
                            "MESSAGE_ANSWER_BROKEN",
                            "reason",
                            "the quotes around a value do not close"),
                        body)));
  }

  /** A body that is one value. */
  private RecordValue whole(ShapeId shape, Value value) {
    List<Field> fields = service.shapes().fieldsOf(shape);
    if (fields.isEmpty()) {
      return RecordValue.empty();
    }
    Value typed =
        value instanceof TextValue text
                && service.shapes().get(fields.get(0).shape()) instanceof Shape.Scalar scalar
            ? ScalarText.parse(scalar.type(), text.text()).orElse(value)
            : value;
    return RecordValue.of(Map.of(fields.get(0).name(), typed));
  }

  private String text(byte[] body) {
    Matcher charset = CHARSET.matcher(response.header("Content-Type").orElse(""));
    try {
      return new String(
          body, charset.find() ? Charset.forName(charset.group(1)) : StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      findings.add(Finding.warning("MESSAGE_CHARSET_UNKNOWN", "charset", charset.group(1)));
      return new String(body, StandardCharsets.UTF_8);
    }
  }

  /** The service says that it did not work, perhaps in a form that it announced. */
  private Outcome<Answer> failed() {
    Optional<Returned> returned = returned();
    boolean json = isJson();
    if (AnswerStart.wantsLogin(response)) {
      return Outcome.failed(AnswerStart.loginWanted(response));
    }
    if (response.body().length > 0 && !json && !AnswerStart.looksLikeXml(response.body())) {
      boolean page = AnswerStart.of(response.body()).startsWith("<");
      if (page) {
        return Outcome.failed(AnswerStart.notJson(response));
      }
    }
    RecordValue detail = RecordValue.empty();
    Optional<Returned> announced = returned.filter(answer -> answer.content().isPresent());
    if (announced.isPresent() && response.body().length > 0) {
      Outcome<RecordValue> read =
          body(
              announced.get().shape().get(),
              announced.get().content().orElseThrow().media(),
              Set.of());
      detail = read.value().orElse(RecordValue.empty());
    } else if (json) {
      detail = Problems.open(response.body());
    }
    return Outcome.of(
        new Answer.Failed(
            String.valueOf(response.status()),
            Problems.reason(detail, response),
            announced.map(Returned::status),
            detail),
        findings.toList());
  }

  private boolean isJson() {
    String start = AnswerStart.of(response.body());
    return start.startsWith("{") || start.startsWith("[");
  }
}
