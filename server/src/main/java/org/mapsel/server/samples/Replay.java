package org.mapsel.server.samples;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.Recorded;
import org.mapsel.core.serve.StandIn;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.springframework.stereotype.Component;

/**
 * Answers for services from their samples, over the same writers and readers as the services
 * themselves; nothing leaves the machine. What is created or changed is remembered until the
 * samples change, or for a while.
 */
@Component
public class Replay {

  /** How many bytes of samples are remembered as read, which takes some times as many. */
  private static final long REMEMBERED = Runtime.getRuntime().maxMemory() / 50;

  /** Small ones cost something too, so that not any number of them is remembered. */
  private static final long LEAST = 100_000;

  private static final Duration WHILE = Duration.ofHours(1);

  /** A service with the samples that there were when it began to be played. */
  private record Played(Service service, long samples) {}

  /** The largest weigh no more than half of all, or they would have to be read for each call. */
  private record Weighed(StandIn standIn, long bytes) {
    int weight() {
      return (int) Math.min(LEAST + bytes, Math.min(REMEMBERED / 2, Integer.MAX_VALUE));
    }
  }

  private final ReplayStore store;
  private final SampleStore samples;
  private final EditionSamples inEdition;
  private final Cache<Played, Weighed> standIns =
      Caffeine.newBuilder()
          .maximumWeight(REMEMBERED)
          .weigher((Played played, Weighed standIn) -> standIn.weight())
          .expireAfterAccess(WHILE)
          .build();

  Replay(ReplayStore store, SampleStore samples, EditionSamples inEdition) {
    this.inEdition = inEdition;
    this.store = store;
    this.samples = samples;
  }

  /** Whether a service is answered for. */
  public boolean isOn(String service) {
    return store.is(service);
  }

  /** The services that are answered for. */
  public Set<String> services() {
    return store.all();
  }

  public void set(String service, boolean on) {
    store.set(service, on);
  }

  /** What takes the place of the way out. */
  Exchanger exchanger(String id, Service service) {
    StandIn standIn =
        standIns
            .get(
                new Played(service, samples.lastNamedAt(id)),
                none ->
                    new Weighed(
                        new StandIn(service, operation -> recorded(id, service, operation)),
                        samples.bytes(id)))
            .standIn();
    return (request, access) -> exchange(standIn, request);
  }

  private List<Recorded.Sample> recorded(String id, Service service, OperationId operation) {
    Operation known = service.getOperation(operation);
    return samples.answered(id, operation.text()).stream()
        .map(kept -> inEdition.in(id, service, known, kept))
        .map(
            kept ->
                new Recorded.Sample(
                    ValueJson.readRecord(kept.parameters(), service.shapes(), known.input()),
                    answer(service, known, kept),
                    kept.failure().map(SampleStore.Failure::reason)))
        .toList();
  }

  private static RecordValue answer(Service service, Operation known, SampleStore.Kept kept) {
    return kept.answer()
        .map(answer -> ValueJson.typed(ValueJson.read(answer), service.shapes(), known.output()))
        .filter(RecordValue.class::isInstance)
        .map(RecordValue.class::cast)
        .orElse(RecordValue.empty());
  }

  private static Exchange exchange(StandIn standIn, Request request) {
    Instant start = Instant.now();
    Optional<Response> response =
        IncomingRequest.of(request).map(incoming -> marked(standIn.answer(incoming).response()));
    return new Exchange(
        request,
        response,
        response.isPresent()
            ? Optional.empty()
            : Optional.of(Finding.error("EXCHANGE_ADDRESS_INVALID", "address", request.address())),
        start,
        Duration.between(start, Instant.now()));
  }

  /** Whoever looks at the wire sees that this came from nowhere else. */
  private static Response marked(Response response) {
    Map<String, List<String>> marked = new LinkedHashMap<>(response.headers());
    marked.put("Mapsel-Replay", List.of("answered from samples; nothing was sent"));
    return new Response(response.status(), marked, response.body());
  }
}
