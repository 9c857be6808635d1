package org.mapsel.server.services;

import java.net.URI;
import java.time.OffsetDateTime;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.finding.Severity;
import org.mapsel.core.message.Access;
import org.mapsel.core.read.Resolver;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.server.outgoing.OutgoingHttp;
import org.mapsel.server.services.Editions.Edition;
import org.mapsel.server.services.ServiceViews.IntakeView;
import org.mapsel.server.services.ServiceViews.ServiceBrief;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.mapsel.server.services.ServiceViews.TakeRequest;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Reading descriptions, and the services taken from them. */
@Component
public class Workspace {

  private final ServiceStore store;
  private final Editions editions;
  private final OutgoingHttp http;

  Workspace(ServiceStore store, Editions editions, OutgoingHttp http) {
    this.store = store;
    this.editions = editions;
    this.http = http;
  }

  /**
   * Reads the description at an address.
   *
   * @param access for the server at that address; no other one sees any of it
   */
  public IntakeView readAddress(String address, Access access) {
    String first = address.strip();
    Resolver resolver =
        at -> fetch(at, OutgoingHttp.isSameServer(first, at) ? access : Access.NONE);
    Outcome<SourceText> fetched = resolver.fetch(first);
    SourceText source = fetched.value().orElseThrow(() -> Problem.refused(fetched.findings()));
    return view(editions.read(source, resolver));
  }

  /** Reads a description from texts that were given; the others are what it may import. */
  IntakeView readGiven(List<SourceText> given) {
    if (given.isEmpty() || given.stream().allMatch(source -> source.bytes().length == 0)) {
      throw Problem.refused(Finding.error("SERVER_INTAKE_EMPTY"));
    }
    Resolver besides =
        address -> {
          Optional<SourceText> known =
              given.stream()
                  .filter(source -> fileName(source.address()).equals(fileName(address)))
                  .findFirst();
          return known.isPresent()
              ? Outcome.of(new SourceText(address, known.get().bytes()))
              : fetch(address, Access.NONE);
        };
    return view(editions.read(mainOf(given), besides));
  }

  /** The description among schemas and other documents that came with it. */
  private static SourceText mainOf(List<SourceText> given) {
    return given.stream()
        .filter(source -> source.address().toLowerCase(Locale.ROOT).endsWith(".wsdl"))
        .findFirst()
        .orElse(given.get(0));
  }

  private static String fileName(String address) {
    return address.substring(address.lastIndexOf('/') + 1);
  }

  private Outcome<SourceText> fetch(String address, Access access) {
    if (!address.startsWith("http://") && !address.startsWith("https://")) {
      return Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));
    }
    return http.fetch(address, access);
  }

  private IntakeView view(Edition edition) {
    Service service = edition.service();
    return new IntakeView(
        edition.id(),
        edition.source(),
        edition.description().format().label(),
        service.name(),
        service.documentation(),
        edition.description().documents().stream().map(SourceText::address).toList(),
        Describe.endpoints(service),
        service.operations().stream().map(operation -> Describe.brief(service, operation)).toList(),
        FindingView.of(edition.findings()),
        store.all().stream()
            .filter(kept -> kept.edition().equals(edition.id()))
            .map(ServiceStore.Kept::id)
            .findFirst()
            .orElse(null));
  }

  /**
   * Takes operations of a description that was read. Taking the same description again adds to it.
   */
  public ServiceView take(TakeRequest request) {
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
    Optional<ServiceStore.Kept> same =
        known.stream().filter(kept -> kept.edition().equals(edition.id())).findFirst();
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
    List<OperationId> inOrder =
        service.operations().stream().map(Operation::id).filter(all::contains).toList();
    store.put(
        new ServiceStore.Kept(
            id, service.name(), edition.source(), edition.id(), endpoint, OffsetDateTime.MIN),
        inOrder);
    return get(id);
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

  ServiceView get(String id) {
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

  ServiceStore.Kept kept(String id) {
    return store
        .find(id)
        .orElseThrow(() -> Problem.missing("SERVER_SERVICE_MISSING", "service", id));
  }

  /** The name of a service for messages; its id if it is gone. */
  public String nameOf(String id) {
    return store.find(id).map(ServiceStore.Kept::name).orElse(id);
  }

  public boolean isEmpty() {
    return store.all().isEmpty();
  }

  void remove(String id) {
    store.remove(kept(id).id());
  }
}
