package org.mapsel.server.services;

import java.net.URI;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Severity;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Service;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.services.EditionViews.EditionView;
import org.mapsel.server.services.Editions.Edition;
import org.mapsel.server.services.ServiceViews.ServiceBrief;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.mapsel.server.services.ServiceViews.TakeRequest;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The services that were taken from descriptions. */
@Component
public class Workspace {

  private final ServiceStore store;
  private final Editions editions;
  private final SampleStore samples;

  Workspace(ServiceStore store, Editions editions, SampleStore samples) {
    this.samples = samples;
    this.store = store;
    this.editions = editions;
  }

  /**
   * Takes operations of a description that was read. Taking the same description again adds to it.
   */
  public ServiceView take(TakeRequest request) {
    return store.alone(() -> takeAlone(request));
  }

  private ServiceView takeAlone(TakeRequest request) {
    Edition edition = editions.get(request.edition());
    Service service = edition.service();
    List<OperationId> wanted = request.operations();
    if (wanted.isEmpty()) {
      throw Problem.refused(Finding.error("SERVER_OPERATION_NONE"));
    }
    for (OperationId id : wanted) {
      if (service.findOperation(id).isEmpty()) {
        throw Problem.missing("SERVER_OPERATION_MISSING", "operation", id.text());
      }
    }
    List<ServiceStore.Kept> known = store.all();
    Optional<ServiceStore.Kept> same = same(known, edition);
    String id =
        same.map(ServiceStore.Kept::id)
            .orElseGet(
                () ->
                    Ids.of(
                        service.name(),
                        "service",
                        wish -> known.stream().anyMatch(kept -> kept.id().equals(wish))));
    EndpointId endpoint =
        service
            .findEndpoint(request.endpoint())
            .or(() -> service.endpoints().stream().findFirst())
            .map(Endpoint::id)
            .orElse(request.endpoint());
    Set<OperationId> all = new LinkedHashSet<>(store.taken(id));
    all.addAll(wanted);
    store.put(
        new ServiceStore.Kept(
            id, service.name(), edition.source(), edition.id(), endpoint, OffsetDateTime.MIN),
        inOrder(service, all));
    return get(id);
  }

  /** The service that an edition is of: what was read from the same address is the same service. */
  private Optional<ServiceStore.Kept> same(List<ServiceStore.Kept> known, Edition edition) {
    Optional<String> taken = store.withEdition(edition.id());
    return known.stream()
        .filter(kept -> taken.equals(Optional.of(kept.id())))
        .findFirst()
        .or(
            () ->
                known.stream()
                    .filter(
                        kept ->
                            edition.source().startsWith("http")
                                && kept.source().equals(edition.source())
                                && kept.name().equals(edition.service().name()))
                    .findFirst());
  }

  /** The edition of a service that was read last. */
  public Optional<String> newestEdition(String id) {
    return store.find(id).map(ServiceStore.Kept::edition);
  }

  /** Lets a service go on with another edition of itself, which has all that was taken. */
  void move(String id, Edition edition) {
    ServiceStore.Kept kept = kept(id);
    List<OperationId> taken = store.taken(id);
    for (OperationId operation : taken) {
      if (edition.service().findOperation(operation).isEmpty()) {
        throw Problem.missing("SERVER_OPERATION_MISSING", "operation", operation.text());
      }
    }
    store.put(
        new ServiceStore.Kept(
            id, kept.name(), kept.source(), edition.id(), kept.endpoint(), kept.takenAt()),
        taken);
  }

  List<ServiceBrief> list() {
    return store.all().stream().map(this::brief).toList();
  }

  private ServiceBrief brief(ServiceStore.Kept kept) {
    Edition edition = editions.get(kept.edition());
    List<Endpoint> endpoints = edition.service().endpoints();
    return new ServiceBrief(
        kept.id(),
        kept.name(),
        endpoints.isEmpty() ? "" : host(endpoints.get(0).address()),
        endpoints.stream().map(endpoint -> endpoint.protocol().label()).distinct().toList(),
        store.taken(kept.id()).size(),
        count(edition, Severity.ERROR),
        count(edition, Severity.WARNING),
        kept.takenAt());
  }

  private static int count(Edition edition, Severity severity) {
    return (int)
        edition.findings().stream().filter(finding -> finding.severity() == severity).count();
  }

  private static String host(String address) {
    try {
      return Optional.ofNullable(URI.create(address).getAuthority()).orElse("");
    } catch (IllegalArgumentException e) {
      // Descriptions hold placeholders where an address should be.
      return address;
    }
  }

  /**
   * A service as pages may call it.
   *
   * @param edition the newest
   * @param endpoint the one that is called if nothing is said
   */
  public record Callable(
      String id, String name, String edition, EndpointId endpoint, Set<OperationId> taken) {}

  /** All services, as pages may call them. */
  public List<Callable> callable() {
    return store.all().stream()
        .map(
            kept ->
                new Callable(
                    kept.id(), kept.name(), kept.edition(), kept.endpoint(), taken(kept.id())))
        .toList();
  }

  /** The operations that were taken of a service. */
  Set<OperationId> taken(String id) {
    return Set.copyOf(store.taken(id));
  }

  public ServiceView get(String id) {
    ServiceStore.Kept kept = kept(id);
    Edition edition = editions.get(kept.edition());
    Service service = edition.service();
    return new ServiceView(
        kept.id(),
        kept.name(),
        kept.source(),
        kept.edition(),
        edition.description().format().label(),
        service.documentation(),
        kept.endpoint().text(),
        Describe.endpoints(service),
        Describe.operations(service, store.taken(id)),
        FindingView.of(edition.findings()),
        kept.takenAt());
  }

  /** The service that was taken from an edition before. */
  Optional<String> takenAs(String edition) {
    return store.all().stream()
        .filter(kept -> kept.edition().equals(edition))
        .map(ServiceStore.Kept::id)
        .findFirst();
  }

  /** A service of the same name that has not this edition. */
  Optional<String> otherEditionOf(Edition edition) {
    return store.withEdition(edition.id()).isPresent()
        ? Optional.empty()
        : store.all().stream()
            .filter(kept -> kept.name().equals(edition.service().name()))
            .map(ServiceStore.Kept::id)
            .findFirst();
  }

  /** The editions of a service, the last taken first. */
  List<EditionView> editions(String id) {
    ServiceStore.Kept kept = kept(id);
    return store.editions(id).stream()
        .map(
            line ->
                new EditionView(
                    line.edition(), line.takenAt(), line.edition().equals(kept.edition())))
        .toList();
  }

  /**
   * Lets a service go on with an edition; operations that are gone there are not taken any more,
   * those that are called otherwise are taken under their new names, with their samples.
   */
  @Transactional
  ServiceView takeEdition(String id, String edition) {
    ServiceStore.Kept kept = kept(id);
    Service service = editions.get(edition).service();
    Map<OperationId, OperationId> renamed =
        Drift.renamedOperations(editions.get(kept.edition()).service(), service);
    List<OperationId> left =
        store.taken(id).stream()
            .map(operation -> renamed.getOrDefault(operation, operation))
            .filter(operation -> service.findOperation(operation).isPresent())
            .toList();
    if (left.isEmpty()) {
      throw Problem.conflict("SERVER_EDITION_FOREIGN", "service", kept.name());
    }
    EndpointId endpoint =
        service
            .findEndpoint(kept.endpoint())
            .or(() -> service.endpoints().stream().findFirst())
            .map(Endpoint::id)
            .orElse(kept.endpoint());
    store.put(
        new ServiceStore.Kept(
            id, kept.name(), kept.source(), edition, endpoint, OffsetDateTime.MIN),
        left);
    renamed.forEach((was, is) -> samples.rename(id, was.text(), is.text()));
    return get(id);
  }

  ServiceStore.Kept kept(String id) {
    return store
        .find(id)
        .orElseThrow(() -> Problem.missing("SERVER_SERVICE_MISSING", "service", id));
  }

  /** The name of a service for messages; its id if it is gone. */
  public String nameOf(String id) {
    return store.find(id).map(ServiceStore.Kept::name).orElse(id);
  }

  /** Where a service's description was read from; empty if the service is gone. */
  public String sourceOf(String id) {
    return store.find(id).map(ServiceStore.Kept::source).orElse("");
  }

  /** The service whose description was read from an address. */
  public Optional<String> serviceFrom(String source) {
    return store.all().stream()
        .filter(kept -> kept.source().equals(source))
        .map(ServiceStore.Kept::id)
        .findFirst();
  }

  /** The service that has an edition, be it its newest or not. */
  public Optional<String> serviceOf(String edition) {
    return store.withEdition(edition);
  }

  /** Whether an edition is one of a service. */
  public boolean hasEdition(String service, String edition) {
    return store.hasEdition(service, edition);
  }

  /**
   * Adds a service with an edition that came along with an app.
   *
   * @param wish the id it is to have, if that is free
   * @return its id
   */
  public String adopt(
      String wish, String name, Edition edition, Set<OperationId> operations, EndpointId endpoint) {
    return store.alone(() -> adoptAlone(wish, name, edition, operations, endpoint));
  }

  private String adoptAlone(
      String wish, String name, Edition edition, Set<OperationId> operations, EndpointId endpoint) {
    String id = Ids.of(wish, "service", taken -> store.find(taken).isPresent());
    store.put(
        new ServiceStore.Kept(
            id, name, edition.source(), edition.id(), endpoint, OffsetDateTime.MIN),
        inOrder(edition.service(), operations));
    return id;
  }

  /** Takes operations that an app calls, besides those that are taken already. */
  public void takeMore(String service, String edition, Set<OperationId> operations) {
    store.alone(
        () -> {
          takeMoreAlone(service, edition, operations);
          return operations;
        });
  }

  private void takeMoreAlone(String service, String edition, Set<OperationId> operations) {
    ServiceStore.Kept kept = kept(service);
    Service described = editions.get(edition).service();
    for (OperationId id : operations) {
      if (described.findOperation(id).isEmpty()) {
        throw Problem.missing("SERVER_OPERATION_MISSING", "operation", id.text());
      }
    }
    Set<OperationId> all = new LinkedHashSet<>(store.taken(service));
    if (all.addAll(operations)) {
      store.put(kept, inOrder(described, all));
    }
  }

  private static List<OperationId> inOrder(Service service, Set<OperationId> wanted) {
    List<OperationId> inOrder =
        new ArrayList<>(service.operations().ids().stream().filter(wanted::contains).toList());
    wanted.stream().filter(id -> !inOrder.contains(id)).forEach(inOrder::add);
    return inOrder;
  }

  /** The names of all services by their ids. */
  public Map<String, String> names() {
    Map<String, String> names = new LinkedHashMap<>();
    store.all().forEach(kept -> names.put(kept.id(), kept.name()));
    return names;
  }

  /** The endpoint at which a service is asked if nobody says otherwise. */
  public EndpointId endpointOf(String id) {
    return kept(id).endpoint();
  }

  public boolean isEmpty() {
    return store.all().isEmpty();
  }

  void remove(String id) {
    store.remove(kept(id).id());
  }
}
