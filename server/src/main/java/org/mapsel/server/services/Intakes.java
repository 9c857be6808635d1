package org.mapsel.server.services;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.call.AccessTokens;
import org.mapsel.core.call.ExpiringStore;
import org.mapsel.core.document.AddressSecrets;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Bundle;
import org.mapsel.core.intake.Catalogue;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Found;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Access;
import org.mapsel.core.read.Resolver;
import org.mapsel.core.service.Service;
import org.mapsel.server.memory.LargeWork;
import org.mapsel.server.outgoing.OutgoingHttp;
import org.mapsel.server.outgoing.Progress;
import org.mapsel.server.secrets.Accesses;
import org.mapsel.server.services.Editions.Edition;
import org.mapsel.server.services.ServiceViews.CatalogueView;
import org.mapsel.server.services.ServiceViews.EntryView;
import org.mapsel.server.services.ServiceViews.IntakeEvent;
import org.mapsel.server.services.ServiceViews.IntakeView;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Reads what stands in the intake box: descriptions, and lists of them. */
@Component
public class Intakes {

  private final Editions editions;
  private final Workspace workspace;
  private final Accesses accesses;
  private final OutgoingHttp http;
  private final LargeWork work;
  private final AccessTokens tokens;

  Intakes(
      Editions editions,
      Workspace workspace,
      Accesses accesses,
      OutgoingHttp http,
      LargeWork work,
      ExpiringStore known,
      Clock clock) {
    this.work = work;
    this.accesses = accesses;
    this.editions = editions;
    this.workspace = workspace;
    this.http = http;
    this.tokens = new AccessTokens(http, clock, known);
  }

  /** Reads the description at an address. */
  public IntakeView readDescription(String address) {
    Outcome<Found> found = Intake.look(address, resolver(address, Access.NONE, Progress.UNSEEN));
    return view(editions.keep(address, Intake.single(found)));
  }

  /**
   * Reads what is at an address.
   *
   * @param access for the server at that address; no other one sees any of it
   */
  IntakeEvent readAddress(String address, Access access, Progress progress) {
    if (!AddressSecrets.names(address).isEmpty()) {
      throw Problem.refused(Finding.error("SERVER_ADDRESS_TELLS_SECRET"));
    }
    Outcome<Access> granted = tokens.granted(access);
    Access used = granted.value().orElseThrow(() -> Problem.refused(granted.findings()));
    return event(address, Intake.look(address, resolver(address, used, progress)));
  }

  /**
   * Reads the description of a service once more.
   *
   * @return the edition that it is now
   */
  String readAgain(String service) {
    ServiceStore.Kept kept = workspace.kept(service);
    if (!kept.source().startsWith("http")) {
      throw Problem.conflict("SERVER_SOURCE_GIVEN", "service", kept.name());
    }
    Access access = access(kept);
    Outcome<Access> granted = tokens.granted(access);
    Access used = granted.value().orElseThrow(() -> Problem.refused(granted.findings()));
    Outcome<Found> found =
        Intake.look(kept.source(), resolver(kept.source(), used, Progress.UNSEEN));
    return editions.keep(kept.source(), Intake.single(found)).id();
  }

  /** What the endpoint takes also opens its description, if that is on the same server. */
  private Access access(ServiceStore.Kept kept) {
    return editions
        .get(kept.edition())
        .service()
        .findEndpoint(kept.endpoint())
        .filter(endpoint -> OutgoingHttp.isSameServer(endpoint.address(), kept.source()))
        .map(endpoint -> accesses.of(kept.id(), endpoint.id(), "", endpoint.address()))
        .orElse(Access.NONE);
  }

  private Resolver resolver(String first, Access access, Progress progress) {
    return at -> fetch(at, OutgoingHttp.isSameServer(first, at) ? access : Access.NONE, progress);
  }

  /**
   * Reads texts that were given: one describes a service, the others are what it may import.
   *
   * @param entry the one to read, if they turned out to be several before
   * @param plain the names of values in samples that look secret, but are none
   */
  IntakeEvent readGiven(
      List<SourceText> given, Optional<String> entry, List<String> plain, Progress progress) {
    if (given.isEmpty() || given.stream().allMatch(source -> source.bytes().length == 0)) {
      throw Problem.refused(Finding.error("SERVER_INTAKE_EMPTY"));
    }
    work.makeRoomFor(given.stream().mapToLong(source -> source.bytes().length).sum());
    Outcome<Bundle> bundle = Bundle.of("", given);
    if (bundle.value().isEmpty()) {
      throw Problem.refused(bundle.findings());
    }
    Bundle said = bundle.get().plain(plain);
    Resolver outside = at -> fetch(at, Access.NONE, progress);
    return event(
        entry.orElse(given.get(0).address()),
        entry
            .map(address -> Intake.look(said, address, outside))
            .orElseGet(() -> Intake.look(said, outside)));
  }

  private Outcome<SourceText> fetch(String address, Access access, Progress progress) {
    if (!address.startsWith("http://") && !address.startsWith("https://")) {
      return Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));
    }
    return http.fetch(address, access, progress);
  }

  private IntakeEvent event(String source, Outcome<Found> found) {
    return switch (found.value().orElseThrow(() -> Problem.refused(found.findings()))) {
      case Catalogue catalogue ->
          new IntakeEvent(null, null, view(source, catalogue, found.findings()), null);
      case Description description ->
          new IntakeEvent(
              null,
              view(editions.keep(source, Outcome.of(description, found.findings()))),
              null,
              null);
    };
  }

  private static CatalogueView view(String source, Catalogue catalogue, List<Finding> findings) {
    return new CatalogueView(
        source,
        catalogue.entries().stream()
            .map(one -> new EntryView(one.name(), one.address(), one.documentation()))
            .toList(),
        FindingView.of(findings));
  }

  private static List<String> leftOut(List<Finding> findings) {
    return findings.stream()
        .filter(finding -> finding.code().equals("SAMPLE_SECRET_LEFT_OUT"))
        .map(finding -> finding.arguments().get("header"))
        .distinct()
        .toList();
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
        service.operations().stream().map(Describe::brief).toList(),
        FindingView.of(edition.findings()),
        leftOut(edition.findings()),
        workspace.takenAs(edition.id()).orElse(null),
        workspace.otherEditionOf(edition).orElse(null));
  }
}
