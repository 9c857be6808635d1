package org.mapsel.core.service;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.shape.Shapes;

/**
 * A service as one description tells it. Immutable.
 *
 * @param entities what it has entities of, if it thinks in entities
 */
public record Service(
    String name,
    String documentation,
    List<Endpoint> endpoints,
    OperationList operations,
    Shapes shapes,
    Optional<EntityModel> entities) {

  public Service {
    endpoints = List.copyOf(endpoints);
  }

  /** A service whose operations are all there already. */
  public Service(
      String name,
      String documentation,
      List<Endpoint> endpoints,
      List<Operation> operations,
      Shapes shapes,
      Optional<EntityModel> entities) {
    this(name, documentation, endpoints, OperationList.of(operations), shapes, entities);
  }

  /** The same at other addresses; endpoints that are not named stay where they are. */
  public Service at(Map<EndpointId, String> addresses) {
    return addresses.isEmpty()
        ? this
        : new Service(
            name,
            documentation,
            endpoints.stream()
                .map(
                    endpoint ->
                        new Endpoint(
                            endpoint.id(),
                            endpoint.protocol(),
                            addresses.getOrDefault(endpoint.id(), endpoint.address())))
                .toList(),
            operations,
            shapes,
            entities);
  }

  /** The same with no other operation than one of its own. */
  public Service only(Operation operation) {
    return new Service(
        name, documentation, endpoints, OperationList.of(List.of(operation)), shapes, entities);
  }

  public Optional<Operation> findOperation(OperationId id) {
    return operations.find(id);
  }

  public Operation getOperation(OperationId id) {
    return findOperation(id)
        .orElseThrow(
            () -> new IllegalArgumentException("The service " + name + " has no operation " + id));
  }

  public Optional<Endpoint> findEndpoint(EndpointId id) {
    for (Endpoint endpoint : endpoints) {
      if (endpoint.id().equals(id)) {
        return Optional.of(endpoint);
      }
    }
    return Optional.empty();
  }
}
