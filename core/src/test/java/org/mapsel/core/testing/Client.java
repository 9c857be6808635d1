package org.mapsel.core.testing;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.mapsel.core.call.CallResult;
import org.mapsel.core.call.Caller;
import org.mapsel.core.call.Question;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import tools.jackson.databind.json.JsonMapper;

/** Reads the description that a server gives of itself, and calls what it offers. */
public final class Client {

  private static final HttpClient HTTP = HttpClient.newHttpClient();

  private final Service service;
  private final Access access;

  public Client(String description, Access access) {
    this(
        Intake.read(document(description), at -> Outcome.of(document(at))).get().service(), access);
  }

  public Client(String description) {
    this(description, Access.NONE);
  }

  /** For a service of which there is only a sample or a description as text. */
  public static Client of(String text) {
    SourceText source = new SourceText("sample", text.getBytes(StandardCharsets.UTF_8));
    return new Client(
        Intake.read(source, at -> Outcome.of(document(at))).get().service(), Access.NONE);
  }

  private Client(Service service, Access access) {
    this.service = service;
    this.access = access;
  }

  /** A record written as JSON with single quotes. */
  public static RecordValue json(String text) {
    return ValueJson.readRecord(new JsonMapper().readTree(text.replace('\'', '"')));
  }

  private static SourceText document(String address) {
    Response response = send(new Request("GET", address, List.of(), new byte[0]));
    return new SourceText(address, response.body());
  }

  private static Response send(Request request) {
    HttpRequest.Builder builder =
        HttpRequest.newBuilder(URI.create(request.address()))
            .method(request.method(), HttpRequest.BodyPublishers.ofByteArray(request.body()));
    for (Header header : request.headers()) {
      builder.header(header.name(), header.value());
    }
    try {
      HttpResponse<byte[]> response = HTTP.send(builder.build(), BodyHandlers.ofByteArray());
      return new Response(response.statusCode(), response.headers().map(), response.body());
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static Exchange exchange(Request request) {
    return new Exchange(
        request, Optional.of(send(request)), Optional.empty(), Instant.EPOCH, Duration.ZERO);
  }

  /** Calls an operation at its first endpoint. */
  public CallResult call(String operationId, String values) {
    return caller().call(question(operationId, values));
  }

  private static Caller caller() {
    return new Caller(
        (request, none) -> exchange(request),
        () -> new Stamp(Instant.now(), UUID.randomUUID().toString(), new byte[] {1, 2, 3, 4}));
  }

  private Question question(String operationId, String values) {
    Operation operation = service.getOperation(new OperationId(operationId));
    return new Question(
        service, operation, operation.wires().get(0).endpoint(), json(values), access, Set.of());
  }

  /** Calls several operations at once: id and values in turn. */
  public List<CallResult> callAll(String... operationsAndValues) {
    List<Question> questions = new ArrayList<>();
    for (int i = 0; i < operationsAndValues.length; i += 2) {
      questions.add(question(operationsAndValues[i], operationsAndValues[i + 1]));
    }
    return caller().callAll(questions);
  }

  /** What came back; anything but an answer without any finding is a failure of the test. */
  public RecordValue returned(String operationId, String values) {
    CallResult result = call(operationId, values);
    if (!result.findings().isEmpty()
        || !(result.answer().orElse(null) instanceof Answer.Returned answer)) {
      throw new AssertionError(
          result.answer() + " " + FindingText.lines(result.findings()) + " " + result.exchange());
    }
    return answer.value();
  }
}
