package org.mapsel.server.samples;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.call.CallResult;
import org.mapsel.core.call.Caller;
import org.mapsel.core.call.GivenAnswers;
import org.mapsel.core.call.Question;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.environments.Environment;
import org.mapsel.server.environments.Environments;
import org.mapsel.server.outgoing.OutgoingHttp;
import org.mapsel.server.outgoing.Stamps;
import org.mapsel.server.secrets.Accesses;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** Makes calls and keeps what went over the wire; gives samples, recorded, given or made up. */
@Component
public class Recorder {

  /** A call that was made, and where its exchange is kept. */
  public record Recorded(CallResult result, Optional<Sent> sent) {}

  /** What is known of an exchange without looking into it. */
  public record Sent(
      String exchange, @Nullable Integer status, long tookMillis, OffsetDateTime startedAt) {}

  /**
   * Values of an operation to show before anything is sent.
   *
   * @param failure what came back instead of an answer, in words
   */
  public record Sample(
      Origin origin,
      RecordValue parameters,
      Value answer,
      Optional<Sent> sent,
      Optional<String> failure) {

    Sample(Origin origin, RecordValue parameters, Value answer, Optional<Sent> sent) {
      this(origin, parameters, answer, sent, Optional.empty());
    }

    /** Whether a service has answered this, be it to somebody else. */
    public boolean isKnown() {
      return origin != Origin.GENERATED;
    }
  }

  /** Where an answer comes from: a call from here, one that failed, a given one, or nowhere. */
  public enum Origin {
    RECORDED,
    FAILED,
    GIVEN,
    GENERATED;

    public String label() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * What a service answered once.
   *
   * @param mediaType empty if it was not said
   * @param whole whether all of the body was kept
   */
  public record Answered(
      String service, String operation, int status, String mediaType, String body, boolean whole) {}

  private final ExchangeStore exchanges;
  private final SampleStore samples;
  private final Accesses accesses;
  private final Environments environments;
  private final OutgoingHttp http;
  private final Caller caller;
  private final Replay replay;
  private final Stamps stamps;
  private final EditionSamples inEdition;
  private final KnownEditions editions;

  Recorder(
      ExchangeStore exchanges,
      SampleStore samples,
      Accesses accesses,
      Environments environments,
      OutgoingHttp http,
      Replay replay,
      Stamps stamps,
      EditionSamples inEdition,
      KnownEditions editions) {
    this.inEdition = inEdition;
    this.editions = editions;
    this.replay = replay;
    this.stamps = stamps;
    this.accesses = accesses;
    this.environments = environments;
    this.exchanges = exchanges;
    this.samples = samples;
    this.http = http;
    this.caller = new Caller(http, stamps);
  }

  /**
   * What is to be called for a service of the workspace.
   *
   * @param environment where; the one that builders call if nothing is said
   * @param look how the service is made to look
   */
  public record Wanted(
      String serviceId,
      Service service,
      Operation operation,
      EndpointId endpoint,
      RecordValue parameters,
      Set<FieldPath> fields,
      Optional<String> environment,
      Simulation look) {

    /** The same by builders, who call all services where they are set to. */
    public Wanted(
        String serviceId,
        Service service,
        Operation operation,
        EndpointId endpoint,
        RecordValue parameters,
        Set<FieldPath> fields) {
      this(
          serviceId,
          service,
          operation,
          endpoint,
          parameters,
          fields,
          Optional.empty(),
          Simulation.NONE);
    }
  }

  /**
   * Calls an operation; the exchange is kept before this returns. What may change something is kept
   * before it leaves, too.
   */
  public Recorded call(Wanted wanted) {
    return callAll(List.of(wanted), UnaryOperator.identity()).getFirst();
  }

  /**
   * Calls several operations, in one message where a service takes them so; keeps each.
   *
   * @param way what everything that leaves goes through
   */
  public List<Recorded> callAll(List<Wanted> wanted, UnaryOperator<Exchanger> way) {
    Set<String> replayed = replay.services();
    Map<Wanted, Recorded> recorded = new IdentityHashMap<>();
    Map<Simulation, List<Wanted>> together = new EnumMap<>(Simulation.class);
    for (Wanted one : wanted) {
      if (one.look() == Simulation.SAMPLES || replayed.contains(one.serviceId())) {
        recorded.put(one, played(one));
      } else {
        together.computeIfAbsent(one.look(), none -> new ArrayList<>()).add(one);
      }
    }
    together.forEach(
        (look, group) -> recorded.putAll(sent(group, caller.through(way.apply(look.over(http))))));
    return wanted.stream().map(recorded::get).toList();
  }

  /** Nobody is asked, so nobody needs to know who asks. */
  private Recorded played(Wanted wanted) {
    CallResult result =
        new Caller(replay.exchanger(wanted.serviceId(), wanted.service()), stamps)
            .call(question(wanted, wanted.service(), Access.NONE));
    return recorded(wanted, result, Optional.empty());
  }

  private Map<Wanted, Recorded> sent(List<Wanted> wanted, Caller way) {
    SentExchanges sent = new SentExchanges(exchanges);
    List<Question> questions = new ArrayList<>();
    for (Wanted one : wanted) {
      Question question = question(one);
      sent.expect(question, one);
      questions.add(question);
    }
    List<CallResult> results = way.with(sent).callAll(questions);
    Map<Wanted, Recorded> recorded = new IdentityHashMap<>();
    for (int i = 0; i < results.size(); i++) {
      recorded.put(
          wanted.get(i), recorded(wanted.get(i), results.get(i), sent.idOf(questions.get(i))));
    }
    return recorded;
  }

  private Question question(Wanted wanted) {
    String service = wanted.serviceId();
    Environment environment =
        wanted
            .environment()
            .map(name -> environments.get(service, name))
            .orElseGet(() -> environments.building(service));
    Service there = wanted.service().at(environment.addresses());
    Access access =
        there
            .findEndpoint(wanted.endpoint())
            .map(at -> accesses.of(service, at.id(), environment.name(), at.address()))
            .orElse(Access.NONE);
    return question(wanted, there, access);
  }

  private static Question question(Wanted wanted, Service there, Access access) {
    return new Question(
        there, wanted.operation(), wanted.endpoint(), wanted.parameters(), access, wanted.fields());
  }

  /**
   * @param begun the exchange as it was kept before it left, if it was
   */
  private Recorded recorded(Wanted wanted, CallResult result, Optional<String> begun) {
    String operation = wanted.operation().id().text();
    return new Recorded(
        result,
        result
            .exchange()
            .map(
                exchange ->
                    sent(
                        begun
                            .map(id -> exchanges.finish(id, exchange))
                            .orElseGet(
                                () -> exchanges.add(wanted.serviceId(), operation, exchange)),
                        exchange)));
  }

  private static Sent sent(String id, Exchange exchange) {
    return new Sent(
        id,
        exchange.response().map(response -> response.status()).orElse(null),
        exchange.took().toMillis(),
        exchange.started().atOffset(ZoneOffset.UTC));
  }

  /** Keeps what was sent last, and what was answered if it was an answer. */
  public void keepLast(
      String serviceId,
      Service service,
      Operation operation,
      JsonNode parameters,
      Recorded recorded) {
    Optional<JsonNode> answer =
        recorded
            .result()
            .answer()
            .filter(Answer.Returned.class::isInstance)
            .map(given -> ValueJson.write(((Answer.Returned) given).value()));
    samples.put(
        serviceId,
        operation.id().text(),
        SampleStore.LAST,
        new SampleStore.Kept(
            parameters,
            answer,
            recorded.sent().map(Sent::exchange),
            Optional.empty(),
            editions.idOf(service)));
  }

  /**
   * What was sent and answered last; as long as nothing was, the answer that came with the
   * description, or one that is made up from it.
   */
  public Sample sample(String serviceId, Service service, Operation operation) {
    Optional<SampleStore.Kept> kept =
        samples
            .find(serviceId, operation.id().text(), SampleStore.LAST)
            .map(known -> inEdition.in(serviceId, service, operation, known));
    RecordValue parameters =
        kept.map(
                known ->
                    ValueJson.readRecord(known.parameters(), service.shapes(), operation.input()))
            .orElseGet(() -> FirstValues.of(service, operation, Extent.REQUIRED));
    Optional<SampleStore.Failure> failure = kept.flatMap(SampleStore.Kept::failure);
    if (failure.isPresent()) {
      return new Sample(
          Origin.FAILED,
          parameters,
          RecordValue.empty(),
          Optional.empty(),
          failure.map(SampleStore.Failure::reason));
    }
    Optional<JsonNode> recorded = kept.flatMap(SampleStore.Kept::answer);
    if (recorded.isPresent()) {
      Optional<Sent> sent =
          kept.flatMap(SampleStore.Kept::exchange)
              .flatMap(exchanges::find)
              .map(
                  exchange ->
                      new Sent(
                          exchange.id(),
                          exchange.status().orElse(null),
                          exchange.tookMillis(),
                          exchange.startedAt()));
      Value answer =
          ValueJson.typed(ValueJson.read(recorded.get()), service.shapes(), operation.output());
      return new Sample(Origin.RECORDED, parameters, answer, sent);
    }
    Optional<RecordValue> given = GivenAnswers.of(service, operation);
    Value answer =
        given.isPresent()
            ? given.get()
            : SampleMaker.make(service.shapes(), operation.output(), Extent.EVERYTHING);
    return new Sample(
        given.isPresent() ? Origin.GIVEN : Origin.GENERATED, parameters, answer, Optional.empty());
  }

  /** When an answer was kept last, of whatever operation; another number for another answer. */
  public long lastRecordedAt() {
    return samples.lastRecordedAt();
  }

  /** What an operation answered last; absent if it never did. */
  public Value lastAnswer(String serviceId, OperationId operation) {
    return samples
        .find(serviceId, operation.text(), SampleStore.LAST)
        .flatMap(SampleStore.Kept::answer)
        .map(ValueJson::read)
        .orElse(Value.ABSENT);
  }

  /**
   * An exchange as it is kept: every secret hidden, long bodies cut.
   *
   * @param whole whether all of both bodies was kept
   */
  public record Logged(
      String service,
      String operation,
      Request request,
      Optional<Response> response,
      boolean whole) {}

  /** An exchange of the log. */
  public Optional<Logged> logged(String exchange) {
    return exchanges
        .find(exchange)
        .map(
            kept ->
                new Logged(
                    kept.service(),
                    kept.operation(),
                    new Request(
                        kept.method(), kept.address(), kept.requestHeaders(), kept.requestBody()),
                    kept.status()
                        .map(
                            status ->
                                new Response(status, kept.responseHeaders(), kept.responseBody())),
                    kept.requestBody().length < ExchangeStore.MAX_BODY
                        && kept.responseBytes() <= kept.responseBody().length));
  }

  /** What was answered in an exchange; nothing if there is none, or nobody answered. */
  public Optional<Answered> answered(String exchange) {
    return exchanges
        .find(exchange)
        .filter(kept -> kept.status().isPresent())
        .map(
            kept ->
                new Answered(
                    kept.service(),
                    kept.operation(),
                    kept.status().get(),
                    kept.responseHeaders().entrySet().stream()
                        .filter(header -> header.getKey().equalsIgnoreCase("content-type"))
                        .flatMap(header -> header.getValue().stream())
                        .findFirst()
                        .orElse(""),
                    BodyText.of(kept),
                    kept.responseBytes() <= kept.responseBody().length));
  }

  /** Reads what was answered last once more, because more is known of what comes back. */
  public void rereadLast(String serviceId, Service service, Operation operation) {
    Optional<SampleStore.Kept> last =
        samples.find(serviceId, operation.id().text(), SampleStore.LAST);
    Optional<ExchangeStore.Kept> exchange =
        last.flatMap(SampleStore.Kept::exchange).flatMap(exchanges::find);
    if (exchange.isEmpty() || exchange.get().status().isEmpty() || operation.wires().isEmpty()) {
      return;
    }
    Response response =
        new Response(
            exchange.get().status().get(),
            exchange.get().responseHeaders(),
            exchange.get().responseBody());
    Outcome<Answer> read =
        Caller.answer(service, operation, operation.wires().get(0), response, Set.of());
    if (read.value().isPresent() && read.get() instanceof Answer.Returned returned) {
      samples.put(
          serviceId,
          operation.id().text(),
          SampleStore.LAST,
          new SampleStore.Kept(
              inEdition.in(serviceId, service, operation, last.get()).parameters(),
              Optional.of(ValueJson.write(returned.value())),
              last.get().exchange(),
              Optional.empty(),
              editions.idOf(service)));
    }
  }
}
