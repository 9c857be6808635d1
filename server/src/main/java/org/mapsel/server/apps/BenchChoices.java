package org.mapsel.server.apps;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.offer.ChoiceOffers;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.server.apps.BenchViews.ChoiceOfferView;
import org.mapsel.server.services.Workspace;
import org.springframework.stereotype.Component;

/** Operations of the workspace that return what an input asks for. */
@Component
class BenchChoices {

  private final Apps apps;
  private final Workspace workspace;
  private final Vocabulary vocabulary;
  private final SeenSamples seen;

  BenchChoices(Apps apps, Workspace workspace, Vocabulary vocabulary, SeenSamples seen) {
    this.apps = apps;
    this.workspace = workspace;
    this.vocabulary = vocabulary;
    this.seen = seen;
  }

  /** A service in the edition that the app uses, or would use. */
  private record Known(Workspace.Callable callable, String edition, Service service) {}

  /** The likeliest first. */
  List<ChoiceOfferView> of(String appId, String pageId, PartId input) {
    App app = apps.get(appId).app();
    Page page = Bench.page(app, pageId);
    Map<String, Known> services = new LinkedHashMap<>();
    for (Workspace.Callable callable : workspace.callable()) {
      String edition = app.edition(callable.id()).orElse(callable.edition());
      Optional<Service> service = apps.services().find(edition);
      service.ifPresent(found -> services.put(callable.id(), new Known(callable, edition, found)));
    }
    List<ChoiceOffers.Candidate> candidates = new ArrayList<>();
    services.forEach(
        (id, known) ->
            candidates.add(
                new ChoiceOffers.Candidate(id, known.service(), known.callable().taken())));
    PageReach reach = new PageReach(app, page, apps.services());
    return new ChoiceOffers(app.model(), page, reach, vocabulary.lexicon(), seen)
        .of(input, candidates).stream()
            .map(offer -> view(offer, services.get(offer.service())))
            .toList();
  }

  private static ChoiceOfferView view(ChoiceOffers.ChoiceOffer offer, Known known) {
    Operation operation = known.service().getOperation(offer.operation());
    return new ChoiceOfferView(
        offer.service(),
        known.callable().name(),
        known.edition(),
        operation.id(),
        operation.name(),
        endpoint(operation, known.callable().endpoint()),
        offer.rows(),
        offer.value(),
        offer.words(),
        offer.reasons());
  }

  private static EndpointId endpoint(Operation operation, EndpointId usual) {
    return operation.wire(usual).isPresent() || operation.wires().isEmpty()
        ? usual
        : operation.wires().getFirst().endpoint();
  }
}
