package org.mapsel.core.call;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.HttpCodec;
import org.mapsel.core.message.odata.EntityCodec;
import org.mapsel.core.message.soap.HttpBindingCodec;
import org.mapsel.core.message.soap.SoapCodec;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** Calls operations: writes the message, sends it, reads what comes back. */
public final class Caller {

  private final Exchanger exchanger;
  private final AccessTokens tokens;
  private final BatchRefusals refusing;
  private final Supplier<Stamp> stamps;
  private final Journal journal;

  /** One that remembers what it learns of services as long as it lives. */
  public Caller(Exchanger exchanger, Supplier<Stamp> stamps) {
    this(exchanger, stamps, new ExpiringMap(() -> stamps.get().now()));
  }

  /**
   * @param store keeps what it learns of services
   */
  public Caller(Exchanger exchanger, Supplier<Stamp> stamps, ExpiringStore store) {
    this(
        exchanger,
        stamps,
        new AccessTokens(exchanger, () -> stamps.get().now(), store),
        new BatchRefusals(store, () -> stamps.get().now()),
        Journal.NONE);
  }

  private Caller(
      Exchanger exchanger,
      Supplier<Stamp> stamps,
      AccessTokens tokens,
      BatchRefusals refusing,
      Journal journal) {
    this.journal = journal;
    this.exchanger = exchanger;
    this.tokens = tokens;
    this.refusing = refusing;
    this.stamps = stamps;
  }

  /** One that sends through something else and knows the same of the services. */
  public Caller through(Exchanger other) {
    return new Caller(other, stamps, tokens, refusing, journal);
  }

  /** One that tells what it is about to send. */
  public Caller with(Journal other) {
    return new Caller(exchanger, stamps, tokens, refusing, other);
  }

  /** The codec of each family of protocols; a new family is a new line here. */
  static Codec codec(OperationWire wire) {
    return switch (wire) {
      case OperationWire.Soap soap -> new SoapCodec();
      case OperationWire.Http http -> new HttpBindingCodec();
      case OperationWire.Rest rest -> new HttpCodec();
      case OperationWire.Entities entities -> new EntityCodec();
    };
  }

  /**
   * The request that a call would send.
   *
   * @param access how the endpoint is reached
   */
  public static Outcome<Request> request(
      Service service,
      Operation operation,
      EndpointId endpoint,
      RecordValue parameters,
      Access access,
      Stamp stamp) {
    Optional<OperationWire> wire = operation.wire(endpoint);
    if (wire.isEmpty()) {
      return Outcome.failed(
          Finding.error(
              "CALL_ENDPOINT_MISSING", "operation", operation.name(), "endpoint", endpoint.text()));
    }
    return codec(wire.get()).write(service, operation, wire.get(), parameters, access, stamp);
  }

  /**
   * What a response to an operation says.
   *
   * @param wanted the returned fields to keep; none keeps everything
   */
  public static Outcome<Answer> answer(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Set<FieldPath> wanted) {
    return codec(wire).read(service, operation, wire, response, wanted);
  }

  /** Runs one call from end to end. What is kept of it has every secret hidden. */
  public CallResult call(Question question) {
    OneCall call = new OneCall(question, stamps.get(), exchanger, tokens, journal);
    return call.cannotBeSent().orElseGet(call::run);
  }

  /** Is told what became of a call among several. */
  @FunctionalInterface
  public interface Done {

    /**
     * @param place of the call among those that were asked for
     */
    void over(int place, CallResult result);
  }

  /**
   * Runs several calls at once; those that a service takes in one message go in one.
   *
   * @return what became of each, in their order
   */
  public List<CallResult> callAll(List<Question> questions) {
    CallResult[] results = new CallResult[questions.size()];
    callAll(questions, (place, result) -> results[place] = result);
    return List.of(results);
  }

  /**
   * Runs several calls at once; those that a service takes in one message go in one. Returns when
   * all are over.
   *
   * @param done is told of each as soon as it is over, by one thread or another
   */
  public void callAll(List<Question> questions, Done done) {
    Stamp stamp = stamps.get();
    Map<OneCall, Integer> places = new IdentityHashMap<>();
    for (Question question : questions) {
      places.put(new OneCall(question, stamp, exchanger, tokens, journal), places.size());
    }
    Batches batches = new Batches(exchanger, refusing);
    AtOnce.run(
        batches.groups(inOrder(places)).stream()
            .<Runnable>map(group -> () -> run(group, batches, places, done))
            .toList());
  }

  private static List<OneCall> inOrder(Map<OneCall, Integer> places) {
    return places.entrySet().stream()
        .sorted(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .toList();
  }

  /** Of what a service does not take together each is called by itself. */
  private static void run(
      List<OneCall> group, Batches batches, Map<OneCall, Integer> places, Done done) {
    Map<OneCall, CallResult> together = group.size() > 1 ? batches.send(group) : Map.of();
    together.forEach((call, result) -> done.over(places.get(call), result));
    AtOnce.run(
        group.stream()
            .filter(call -> !together.containsKey(call))
            .<Runnable>map(
                call -> () -> done.over(places.get(call), call.cannotBeSent().orElseGet(call::run)))
            .toList());
  }
}
