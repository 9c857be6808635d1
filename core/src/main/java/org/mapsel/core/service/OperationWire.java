package org.mapsel.core.service;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;

/** How an operation goes over the wire at one endpoint; one kind per family of protocols. */
public sealed interface OperationWire {

  EndpointId endpoint();

  /** The element that holds the parameters, where there is one. */
  default Optional<Name> request() {
    return Optional.empty();
  }

  /** The element that holds the returned fields, where there is one. */
  default Optional<Name> response() {
    return Optional.empty();
  }

  /** A request that worked, where nothing else is known of what the operation takes. */
  default Optional<RecordedRequest> given() {
    return Optional.empty();
  }

  /** In a word: document or rpc, or that it is plain HTTP. */
  String styleLabel();

  /** The action that goes with a request, empty where there is none. */
  default String action() {
    return "";
  }

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
  }

  /**
   * One method on one path (OpenAPI 3.1, Operation Object).
   *
   * @param path added to the endpoint's address; holds {@code {name}} for each parameter in it
   * @param body how what is sent is written, where the operation takes a body
   * @param offered the media types in which it may be sent
   * @param answers what may come back, in the order in which it is tried
   * @param given a request that worked, where nothing else is known of what it takes
   */
  record Rest(
      EndpointId endpoint,
      String method,
      String path,
      Optional<Content> body,
      List<String> offered,
      List<Returned> answers,
      Optional<RecordedRequest> given)
      implements OperationWire {

    public Rest {
      offered = List.copyOf(offered);
      answers = List.copyOf(answers);
    }

    @Override
    public String styleLabel() {
      return body.map(content -> content.media().name().toLowerCase(Locale.ROOT)).orElse("");
    }
  }

  /**
   * A body in one media type.
   *
   * @param element the element around it, where it is XML
   */
  record Content(String mediaType, Media media, Optional<Name> element) {}

  /**
   * What comes back with a status.
   *
   * @param status three digits, {@code 2XX} or {@code default}
   * @param content none where there is no body
   * @param shape of what is in it, which may be made only when it is asked for
   */
  record Returned(String status, Optional<Content> content, Memo<ShapeId> shape) {

    /** Whether it is meant for a status; more exact ones are asked first. */
    public boolean isFor(int code) {
      return status.equals("default")
          || status.equals(String.valueOf(code))
          || status.equalsIgnoreCase(code / 100 + "XX");
    }

    /** Whether it says that the operation worked. */
    public boolean isSuccess() {
      return status.startsWith("2");
    }
  }

  /**
   * Something done with entities (OData protocol 4.01, section 11; 2.0 in the same terms).
   *
   * @param old whether by the protocol before version 4
   * @param path below the service, with {@code {name}} for each value in it
   * @param type of the entities or values that come back; empty if none do
   */
  record Entities(
      EndpointId endpoint, boolean old, String method, String path, Result result, String type)
      implements OperationWire {

    /** What comes back. */
    public enum Result {
      ROWS,
      ONE,
      VALUE,
      /** Bytes of any kind (protocol 4.01, section 11.2.4 and 11.4.7). */
      FILE,
      NOTHING
    }

    @Override
    public String styleLabel() {
      return "entities";
    }
  }

  /** What a body is written in. */
  enum Media {
    JSON,
    XML,
    /** Name and value pairs. */
    FORM,
    /** Parts of any kind, files among them (RFC 7578). */
    MULTIPART,
    /** Lines of separated values below a line of names (RFC 4180). */
    CSV,
    TEXT,
    BINARY;

    /** What a media type amounts to; parameters and case do not matter. */
    public static Media of(String mediaType) {
      String type = mediaType.split(";")[0].strip().toLowerCase(Locale.ROOT);
      if (type.equals("application/json")
          || type.equals("text/json")
          || type.endsWith("+json")
          || type.equals("*/*")
          || type.equals("application/*")) {
        return JSON;
      }
      if (type.equals("application/xml") || type.equals("text/xml") || type.endsWith("+xml")) {
        return XML;
      }
      if (type.equals("application/x-www-form-urlencoded")) {
        return FORM;
      }
      if (type.startsWith("multipart/")) {
        return MULTIPART;
      }
      if (type.endsWith("/csv") || type.equals("text/tab-separated-values")) {
        return CSV;
      }
      return type.startsWith("text/") ? TEXT : BINARY;
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
