package org.mapsel.core.declare;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Protocol;

/**
 * How the operations of an interface go over the wire (WSDL 1.1, section 2.5).
 *
 * @param protocol none if it is one that is not known here
 */
public record BindingDeclaration(
    Name name,
    Name interfaceName,
    Optional<Protocol> protocol,
    boolean rpc,
    List<BoundOperation> operations,
    Place place) {

  /** One operation of the binding. */
  public record BoundOperation(
      String name,
      Optional<String> inputName,
      String action,
      Optional<Boolean> rpc,
      BoundMessage input,
      BoundMessage output,
      Place place) {}

  /**
   * How a message is spread over the envelope.
   *
   * @param namespace of the wrapper that an rpc operation puts around its parts
   * @param bodyParts the parts in the body; none means all that are not headers
   */
  public record BoundMessage(
      boolean encoded,
      String namespace,
      Optional<List<String>> bodyParts,
      List<HeaderUse> headers) {

    public static final BoundMessage PLAIN =
        new BoundMessage(false, "", Optional.empty(), List.of());
  }

  /** A message part that travels in the header. */
  public record HeaderUse(Name message, String part, Place place) {}
}
