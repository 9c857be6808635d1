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
 * @param addressing whether messages carry WS-Addressing headers (WS-Addressing 1.0, WSDL binding,
 *     section 3.1)
 * @param everyOperation whether operations that it does not name are bound all the same (WSDL 2.0,
 *     section 2.9)
 */
public record BindingDeclaration(
    Name name,
    Name interfaceName,
    Optional<Protocol> protocol,
    boolean rpc,
    boolean addressing,
    boolean everyOperation,
    List<BoundOperation> operations,
    Place place) {

  /**
   * One operation of the binding.
   *
   * @param location where an HTTP operation stands below the port's address (section 4.4)
   */
  public record BoundOperation(
      String name,
      Optional<String> inputName,
      Optional<String> outputName,
      String action,
      String location,
      Optional<Boolean> rpc,
      BoundMessage input,
      BoundMessage output,
      Place place) {}

  /**
   * How a message is spread over what is sent.
   *
   * @param namespace of the wrapper that an rpc operation puts around its parts
   * @param bodyParts the parts in the body; none means all that stand nowhere else
   * @param attachments the parts that travel beside the envelope (section 5)
   * @param headerFaults what a failure to handle a header is told by (section 3.7)
   */
  public record BoundMessage(
      Content content,
      String namespace,
      Optional<List<String>> bodyParts,
      List<HeaderUse> headers,
      List<String> attachments,
      List<HeaderUse> headerFaults) {

    public static final BoundMessage PLAIN =
        new BoundMessage(Content.LITERAL, "", Optional.empty(), List.of(), List.of(), List.of());

    public boolean isEncoded() {
      return content == Content.ENCODED;
    }
  }

  /** How the parts of a message are written (WSDL 1.1, sections 3.5, 4.5 to 4.7 and 5). */
  public enum Content {
    /** As their schema says. */
    LITERAL,
    /** By the encoding rules of SOAP 1.1, section 5. */
    ENCODED,
    /** As a form: in the address of a GET, in the body of a POST. */
    URL_ENCODED,
    /** In places that the address holds free for them. */
    URL_REPLACEMENT,
    /** The whole body is one part of some other media type. */
    OTHER
  }

  /** A message part that travels in the header. */
  public record HeaderUse(Name message, String part, Place place) {}
}
