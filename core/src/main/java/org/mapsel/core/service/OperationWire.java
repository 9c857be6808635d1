package org.mapsel.core.service;

import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;

/** How an operation goes over the wire at one endpoint; one kind per family of protocols. */
public sealed interface OperationWire {

  EndpointId endpoint();

  /** The element that holds the parameters, where there is one. */
  Optional<Name> request();

  /** The element that holds the returned fields, where there is one. */
  Optional<Name> response();

  /** In a word: document or rpc, or that it is plain HTTP. */
  String styleLabel();

  /** The action that goes with a request, empty where there is none. */
  String action();

  /**
   * A SOAP operation (WSDL 1.1, section 3).
   *
   * @param action the value of the action header, may be empty
   * @param request the element that holds the parameters inside the body; none where the parameters
   *     are themselves the children of the body
   * @param response likewise for what comes back
   * @param oneWay whether no message is announced to come back
   * @param addressing the action for WS-Addressing headers, where the description wants them
   */
  record Soap(
      EndpointId endpoint,
      Protocol protocol,
      Style style,
      String action,
      Optional<Name> request,
      Optional<Name> response,
      boolean oneWay,
      Optional<String> addressing)
      implements OperationWire {

    @Override
    public String styleLabel() {
      return style == Style.DOCUMENT ? "document" : "rpc";
    }
  }

  /** How the body of a SOAP message is made of the parts of a message (WSDL 1.1, section 3.5). */
  enum Style {
    /** The parts are elements that stand in the body. */
    DOCUMENT,
    /** An element named like the operation holds the parts. */
    RPC,
    /** Like rpc, written by the rules of SOAP 1.1, section 5. */
    RPC_ENCODED
  }

  /**
   * An operation of the HTTP binding (WSDL 1.1, section 4).
   *
   * @param location added to the endpoint's address; holds {@code (name)} for each parameter when
   *     they are put into the address
   */
  record Http(
      EndpointId endpoint,
      Protocol protocol,
      String location,
      Encoding encoding,
      Optional<Name> request,
      Optional<Name> response)
      implements OperationWire {

    @Override
    public String styleLabel() {
      return encoding.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @Override
    public String action() {
      return "";
    }
  }

  /** Where the parameters of an HTTP operation go. */
  enum Encoding {
    /** Name and value pairs, in the address or the body by the method. */
    URL_ENCODED,
    /** Into the places that the location holds free. */
    URL_REPLACEMENT,
    /** The body is the parameter. */
    BODY
  }
}
