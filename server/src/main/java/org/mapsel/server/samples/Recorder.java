package org.mapsel.server.samples;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.call.AtOnce;
import org.mapsel.core.call.CallResult;
import org.mapsel.core.call.Caller;
import org.mapsel.core.call.ExpiringStore;
import org.mapsel.core.call.Question;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.message.Access;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.mapsel.server.environments.Environment;
import org.mapsel.server.environments.Environments;
import org.mapsel.server.outgoing.OutgoingHttp;
import org.mapsel.server.outgoing.Stamps;
import org.mapsel.server.secrets.Accesses;
import org.springframework.stereotype.Component;

/** Makes calls and keeps what went over the wire. */
@Component
public class Recorder {

  /** A call that was made, and where its exchange is kept. */
  public record Recorded(CallResult result, Optional<Sent> sent) {}

  /** What is known of an exchange without looking into it. */
  public record Sent(
      String exchange, @Nullable Integer status, long tookMillis, OffsetDateTime startedAt) {}

  private final ExchangeStore exchanges;
  private final Accesses accesses;
  private final Environments environments;
  private final OutgoingHttp http;
  private final Caller caller;
  private final Replay replay;
  private final Stamps stamps;
  private final PersonalRules personal;

  Recorder(
      ExchangeStore exchanges,
      Accesses accesses,
      Environments environments,
      OutgoingHttp http,
      Replay replay,
      Stamps stamps,
      ExpiringStore known,
      PersonalRules personal) {
    this.personal = personal;
    this.replay = replay;
    this.stamps = stamps;
    this.accesses = accesses;
    this.environments = environments;
    this.exchanges = exchanges;
    this.http = http;
    this.caller = new Caller(http, stamps, known);
  }

  /**
   * What is to be called for a service of the workspace.
   *
   * @param environment where; the one that builders call if nothing is said
   * @param look how the service is made to look
   * @param asker whose call it is
   */
  public record Wanted(
      String serviceId,
      Service service,
      Operation operation,
      EndpointId endpoint,
      RecordValue parameters,
      Set<FieldPath> fields,
      Optional<String> environment,
      Simulation look,
      Asker asker) {

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
          Simulation.NONE,
          Asker.BUILDER);
    }
  }

  /**
   * Calls an operation; the exchange is kept before this returns. What may change something is kept
   * before it leaves, too.
   */
  public Recorded call(Wanted wanted) {
    Recorded[] recorded = new Recorded[1];
    callAll(List.of(wanted), UnaryOperator.identity(), (place, one) -> recorded[place] = one);
    return recorded[0];
  }

  /** Is told of a call among several that was made and kept. */
  @FunctionalInterface
  public interface Done {

    /**
     * @param place of the call among those that were wanted
     */
    void over(int place, Recorded recorded);
  }

  /**
   * Calls several operations at once, in one message where a service takes them so; keeps each.
   * Returns when all are over.
   *
   * @param way what everything that leaves goes through
   * @param done is told of each as soon as it is over, by one thread or another
   */
  public void callAll(List<Wanted> wanted, UnaryOperator<Exchanger> way, Done done) {
    Set<String> replayed = replay.services();
    List<Runnable> tasks = new ArrayList<>();
    Map<Simulation, List<Integer>> together = new EnumMap<>(Simulation.class);
    for (int i = 0; i < wanted.size(); i++) {
      Wanted one = wanted.get(i);
      int place = i;
      if (one.look() == Simulation.SAMPLES || replayed.contains(one.serviceId())) {
        tasks.add(() -> done.over(place, played(one)));
      } else {
        together.computeIfAbsent(one.look(), none -> new ArrayList<>()).add(place);
      }
    }
    together.forEach(
        (look, places) ->
            tasks.add(
                () ->
                    send(
                        places.stream().map(wanted::get).toList(),
                        caller.through(way.apply(look.over(http))),
                        (place, recorded) -> done.over(places.get(place), recorded))));
    AtOnce.run(tasks);
  }

  /** Nobody is asked, so nobody needs to know who asks. */
  private Recorded played(Wanted wanted) {
    CallResult result =
        new Caller(replay.exchanger(wanted.serviceId(), wanted.service()), stamps)
            .call(question(wanted, wanted.service(), Access.NONE));
    return recorded(wanted, result, Optional.empty());
  }

  private void send(List<Wanted> wanted, Caller way, Done done) {
    SentExchanges sent = new SentExchanges(exchanges, this::of);
    List<Question> questions = new ArrayList<>();
    for (Wanted one : wanted) {
      Question question = question(one);
      sent.expect(question, one);
      questions.add(question);
    }
    way.with(sent)
        .callAll(
            questions,
            (place, result) ->
                done.over(
                    place, recorded(wanted.get(place), result, sent.idOf(questions.get(place)))));
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
    ExchangeStore.Of of = of(wanted);
    return new Recorded(
        result,
        result
            .exchange()
            .map(
                exchange ->
                    sent(
                        begun
                            .map(id -> exchanges.finish(of, id, exchange))
                            .orElseGet(() -> exchanges.add(of, exchange)),
                        exchange)));
  }

  /** What exchanges of a call belong to. */
  private ExchangeStore.Of of(Wanted wanted) {
    return new ExchangeStore.Of(
        wanted.serviceId(),
        wanted.operation().id().text(),
        wanted.asker(),
        personal.of(wanted.serviceId()));
  }

  private static Sent sent(String id, Exchange exchange) {
    return new Sent(
        id,
        exchange.response().map(response -> response.status()).orElse(null),
        exchange.took().toMillis(),
        exchange.started().atOffset(ZoneOffset.UTC));
  }
}
