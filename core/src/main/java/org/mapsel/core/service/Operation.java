package org.mapsel.core.service;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;

/**
 * One thing that can be asked of a service.
 *
 * @param input a record whose fields are the parameters
 * @param output a record whose fields come back
 * @param requestElement the element around the parameters that the description gives, where there
 *     is one
 * @param responseElement likewise around the returned fields
 * @param wires one for every endpoint that offers it, the preferred one first; none if nobody
 *     offers it
 * @param links where its answer leads
 */
public record Operation(
    OperationId id,
    String name,
    Effect effect,
    String documentation,
    ShapeId input,
    ShapeId output,
    Optional<Name> requestElement,
    Optional<Name> responseElement,
    List<Fault> faults,
    List<OperationWire> wires,
    List<Link> links) {

  public Operation {
    faults = List.copyOf(faults);
    wires = List.copyOf(wires);
    links = List.copyOf(links);
  }

  /** An operation whose answer leads nowhere by itself. */
  public Operation(
      OperationId id,
      String name,
      Effect effect,
      String documentation,
      ShapeId input,
      ShapeId output,
      Optional<Name> requestElement,
      Optional<Name> responseElement,
      List<Fault> faults,
      List<OperationWire> wires) {
    this(
        id,
        name,
        effect,
        documentation,
        input,
        output,
        requestElement,
        responseElement,
        faults,
        wires,
        List.of());
  }

  public Optional<OperationWire> wire(EndpointId endpoint) {
    for (OperationWire wire : wires) {
      if (wire.endpoint().equals(endpoint)) {
        return Optional.of(wire);
      }
    }
    return Optional.empty();
  }

  /** The same, offered in other ways. */
  public Operation offered(List<OperationWire> others) {
    return new Operation(
        id,
        name,
        effect,
        documentation,
        input,
        output,
        requestElement,
        responseElement,
        faults,
        others,
        links);
  }

  /** The same, which returns something else. */
  public Operation returning(ShapeId other) {
    return new Operation(
        id,
        name,
        effect,
        documentation,
        input,
        other,
        requestElement,
        responseElement,
        faults,
        wires,
        links);
  }
}
