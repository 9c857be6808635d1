package org.mapsel.core.serve;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.AddressSecrets;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.read.sample.Secrets;
import org.mapsel.core.read.sample.SeenExchange;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/**
 * Parameters and the answer to them, as somebody gave them as text.
 *
 * @param wire what was given; of the request without what looks secret
 */
public record GivenSample(RecordValue parameters, RecordValue answer, OverTheWire wire) {

  /** More exchanges of an archive than these are passed over. */
  public static final int MOST = 50;

  private static final int OK = 200;

  /**
   * Reads samples of an operation: the exchanges of an HTTP archive that are of it, a request as it
   * was sent with its answer, or an answer alone, whose parameters are made up then.
   *
   * @param endpoint over whose protocol it was answered
   * @return at least one, or why there is none
   */
  public static Outcome<List<GivenSample>> of(
      Service service, Operation operation, EndpointId endpoint, String text) {
    OperationWire wire = operation.wire(endpoint).orElse(operation.wires().getFirst());
    Findings findings = new Findings();
    List<GivenSample> given = new ArrayList<>();
    Optional<List<SeenExchange>> exchanges = SeenExchange.in(text);
    if (exchanges.isEmpty()) {
      RecordValue made = FirstValues.of(service, operation, SampleMaker.Extent.REQUIRED);
      String type = text.stripLeading().startsWith("<") ? "text/xml" : "application/json";
      Response response = response(OK, type, text.strip());
      answer(service, operation, wire, response, findings)
          .ifPresent(
              answer ->
                  given.add(
                      new GivenSample(
                          made, answer, new OverTheWire(Optional.empty(), Optional.of(response)))));
    } else {
      RequestReader reader = new RequestReader(service);
      for (SeenExchange seen : exchanges.get()) {
        Optional<RecordValue> parameters =
            IncomingRequest.of(request(seen, seen.address(), seen.body(), header -> false))
                .flatMap(reader::read)
                .filter(read -> read.operation().equals(operation.id()))
                .map(ReadRequest::parameters);
        if (parameters.isPresent() && given.size() < MOST) {
          Response response = response(seen.status(), seen.mediaType(), seen.answer());
          answer(service, operation, wire, response, findings)
              .ifPresent(
                  answer ->
                      given.add(
                          new GivenSample(
                              parameters.get(), answer, OverTheWire.of(hidden(seen), response))));
        }
      }
    }
    if (given.isEmpty()) {
      List<Finding> wrong = findings.toList().stream().filter(Finding::isError).limit(5).toList();
      return Outcome.failed(
          wrong.isEmpty()
              ? List.of(Finding.error("SAMPLE_NONE_GIVEN", "operation", operation.name()))
              : wrong);
    }
    return Outcome.of(given);
  }

  /** A request without what looks secret in it. */
  private static Request hidden(SeenExchange seen) {
    return request(
        seen,
        AddressSecrets.without(seen.address()),
        Secrets.hiddenIn(seen.body()),
        Secrets::isHeader);
  }

  private static Request request(
      SeenExchange seen, String address, String body, Predicate<String> hides) {
    return new Request(
        seen.method(),
        address,
        seen.headers().stream()
            .filter(header -> !hides.test(header.getKey()))
            .map(header -> new Header(header.getKey(), header.getValue(), ""))
            .toList(),
        body.getBytes(StandardCharsets.UTF_8));
  }

  private static Response response(int status, String mediaType, String body) {
    Map<String, List<String>> headers =
        mediaType.isEmpty() ? Map.of() : Map.of("Content-Type", List.of(mediaType));
    return new Response(status, headers, body.getBytes(StandardCharsets.UTF_8));
  }

  private static Optional<RecordValue> answer(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Findings findings) {
    Outcome<Answer> read = Caller.answer(service, operation, wire, response, Set.of());
    read.findings().forEach(findings::add);
    return read.value()
        .filter(Answer.Returned.class::isInstance)
        .map(answer -> ((Answer.Returned) answer).value());
  }
}
