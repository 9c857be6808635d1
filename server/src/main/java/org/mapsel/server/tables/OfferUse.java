package org.mapsel.server.tables;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.table.OfferDescriptions;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.server.secrets.Accesses;
import org.mapsel.server.services.Intakes;
import org.mapsel.server.services.ServiceUsers;
import org.mapsel.server.services.ServiceViews.IntakeView;
import org.mapsel.server.services.ServiceViews.ServiceView;
import org.mapsel.server.services.ServiceViews.TakeRequest;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.tables.OfferStore.KeptOffer;
import org.mapsel.server.tables.TableViews.ClientView;
import org.mapsel.server.tables.TableViews.OfferAddress;
import org.mapsel.server.tables.TableViews.OfferedView;
import org.mapsel.server.tables.TableViews.TableCount;
import org.springframework.stereotype.Component;

/** How an offer is reached, and who in this workspace uses it. */
@Component
class OfferUse {

  private static final String WORKSPACE = "This workspace";

  private final Offers offers;
  private final Intakes intakes;
  private final Workspace workspace;
  private final Accesses accesses;
  private final ServiceUsers users;

  OfferUse(
      Offers offers, Intakes intakes, Workspace workspace, Accesses accesses, ServiceUsers users) {
    this.offers = offers;
    this.intakes = intakes;
    this.workspace = workspace;
    this.accesses = accesses;
    this.users = users;
  }

  OfferedView view(String id) {
    KeptOffer kept = offers.kept(id);
    Optional<String> service = workspace.serviceFrom(description(id));
    return new OfferedView(
        id,
        kept.offer(),
        kept.offer().tables().stream()
            .map(table -> new TableCount(table.several(), offers.count(kept, table)))
            .toList(),
        addresses(kept),
        kept.keyed(),
        kept.paused(),
        kept.perMinute(),
        offers.clients(id).stream()
            .map(client -> new ClientView(client.id(), client.name(), client.madeAt()))
            .toList(),
        service.orElse(null),
        service.map(users::appsUsing).orElse(List.of()));
  }

  private String description(String id) {
    return offers.address(id) + "/odata/$metadata";
  }

  private List<OfferAddress> addresses(KeptOffer kept) {
    String base = offers.address(kept.id());
    OfferedTable first = kept.offer().tables().getFirst();
    String path = OfferDescriptions.path(first);
    String key = kept.keyed() ? " -H 'X-API-Key: …'" : "";
    return List.of(
        new OfferAddress(
            "SOAP 1.1 and 1.2, described in WSDL",
            base + "/soap?wsdl",
            "curl '" + base + "/soap?wsdl'"),
        new OfferAddress(
            "OData 4.01, described in CSDL",
            base + "/odata/$metadata",
            "curl" + key + " '" + base + "/odata/" + first.several() + "?$top=3'"),
        new OfferAddress(
            "HTTP and JSON, described in OpenAPI",
            base + "/openapi.json",
            "curl" + key + " '" + base + "/http" + path + "?top=3'"),
        new OfferAddress(
            "All rows as a file, in CSV or JSON",
            base + "/" + first.several() + ".csv",
            "curl" + key + " -O '" + base + "/" + first.several() + ".json'"));
  }

  ServiceView take(String id) {
    KeptOffer kept = offers.kept(id);
    IntakeView read = intakes.readDescription(description(id));
    ServiceView service =
        workspace.take(
            new TakeRequest(
                read.edition(),
                read.operations().stream().map(one -> new OperationId(one.id())).toList(),
                new EndpointId(read.endpoints().getFirst().id())));
    if (kept.keyed()) {
      String key = offers.addClient(id, WORKSPACE).key();
      accesses.keepKey(service.id(), new EndpointId(service.endpoint()), "X-API-Key", key);
    }
    return workspace.get(service.id());
  }
}
