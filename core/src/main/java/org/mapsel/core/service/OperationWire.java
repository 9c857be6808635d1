package org.mapsel.core.service;

import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;

/** How an operation goes over the wire at one endpoint; one kind per family of protocols. */
public sealed interface OperationWire {

  EndpointId endpoint();

  /**
   * A SOAP operation (WSDL 1.1, section 3).
   *
   * @param action the value of the action header, may be empty
   * @param request the element that holds the parameters inside the body; none where the parameters
   *     are themselves the children of the body
   * @param response likewise for what comes back
   */
  record Soap(
      EndpointId endpoint,
      Protocol protocol,
      String action,
      Optional<Name> request,
      Optional<Name> response)
      implements OperationWire {}
}
