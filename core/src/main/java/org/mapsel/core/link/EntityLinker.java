package org.mapsel.core.link;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.OperationList;
import org.mapsel.core.service.Protocol;
import org.mapsel.core.service.Service;

/** Makes a service of entities: what can be done with each set, and each function and action. */
final class EntityLinker {

  private EntityLinker() {}

  static Service link(Declarations declarations, Findings findings) {
    Declarations.Entities entities = declarations.entities().orElseThrow();
    boolean old = entities.version().compareTo("4") < 0;
    EntityOperations operations = new EntityOperations(entities.model(), old);
    SetLinker sets = new SetLinker(operations);
    entities.model().sets().forEach(sets::link);
    new CallableLinker(operations).link();
    OperationList all = operations.finish();
    if (all.isEmpty()) {
      findings.add(Finding.error("ODATA_SETS_NONE"));
    }
    String name = declarations.name().isEmpty() ? "Service" : declarations.name();
    Protocol protocol = old ? Protocol.ODATA_2 : Protocol.ODATA_4;
    return new Service(
        name,
        declarations.documentation(),
        all.isEmpty()
            ? List.of()
            : List.of(new Endpoint(EntityOperations.ENDPOINT, protocol, entities.address())),
        all,
        operations.shapes.finish(),
        Optional.of(entities.model()));
  }
}
