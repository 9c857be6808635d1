package org.mapsel.core.serve;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.mapsel.core.call.Question;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.soap.SoapCodec;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Protocol;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.RecordValue;

/** SOAP 1.1 and 1.2 over HTTP. */
final class SoapServing implements Serving {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "stand-in", new byte[0]);
  private static final int BAD = 500;

  /** Who asks, how often, and whether anybody is there (RFC 9110, RFC 6585). */
  private static final Set<Integer> CONNECTION = Set.of(401, 429, 503);

  private final Service service;
  private final Protocol protocol;
  private final SoapCodec codec = new SoapCodec();

  /** Operations by the first element in the body that asks for them. */
  private final Map<Name, List<Turned>> byElement = new HashMap<>();

  /** Likewise, by their action, for those whose body starts with nothing that tells. */
  private final Map<String, Turned> byAction = new HashMap<>();

  /** An operation, and the same with what goes in and what comes back in each other's place. */
  private record Turned(Operation operation, OperationWire.Soap wire, Operation back) {}

  SoapServing(Service service, EndpointId endpoint, Protocol protocol) {
    this.service = service;
    this.protocol = protocol;
    for (Operation operation : service.operations()) {
      if (operation.wire(endpoint).orElse(null) instanceof OperationWire.Soap wire) {
        Turned turned = turned(operation, wire);
        Optional<Name> element = wire.request().or(() -> first(operation));
        element.ifPresent(
            name -> byElement.computeIfAbsent(name, none -> new ArrayList<>()).add(turned));
        if (element.isEmpty()) {
          byAction.put(wire.action(), turned);
        } else if (!wire.action().isEmpty()) {
          byAction.putIfAbsent(wire.action(), turned);
        }
      }
    }
  }

  private Optional<Name> first(Operation operation) {
    return service.shapes().fieldsOf(operation.input()).stream()
        .filter(field -> field.wire() instanceof Wire.XmlElement)
        .map(field -> ((Wire.XmlElement) field.wire()).name())
        .findFirst();
  }

  private static Turned turned(Operation operation, OperationWire.Soap wire) {
    OperationWire.Soap back =
        new OperationWire.Soap(
            wire.endpoint(),
            wire.protocol(),
            wire.style(),
            "",
            wire.response(),
            wire.request(),
            false,
            Optional.empty());
    return new Turned(
        operation,
        wire,
        new Operation(
            operation.id(),
            operation.name(),
            operation.effect(),
            "",
            new Operation.Messages(
                operation.output(),
                operation.input(),
                operation.responseElement(),
                operation.requestElement(),
                List.of(),
                List.of(back))));
  }

  @Override
  public Optional<Question> read(IncomingRequest asked) {
    if (!asked.method().equals("POST")) {
      return Optional.empty();
    }
    Turned turned = asked(asked);
    OperationWire back = turned.back().wires().getFirst();
    Outcome<Answer> read =
        codec.read(
            service,
            turned.back(),
            back,
            new Response(200, asked.headers(), asked.body()),
            Set.of());
    if (!(read.value().orElse(null) instanceof Answer.Returned parameters)) {
      throw Refusal.of(BAD, read.findings());
    }
    return Optional.of(
        new Question(turned.operation(), turned.wire(), parameters.value(), RowQuery.ALL));
  }

  private Turned asked(IncomingRequest asked) {
    Name first = firstInBody(asked.body());
    String action = action(asked);
    List<Turned> found = byElement.getOrDefault(first, List.of());
    if (found.isEmpty()) {
      return Optional.ofNullable(byAction.get(action))
          .orElseThrow(
              () -> new Refusal(BAD, "No operation is asked for with " + first.local() + "."));
    }
    // Overloaded operations have the same element; their actions may tell them apart.
    return found.stream()
        .filter(one -> one.wire().action().equals(action))
        .findFirst()
        .orElse(found.getFirst());
  }

  private static String action(IncomingRequest asked) {
    return asked
        .header("SOAPAction")
        .or(
            () ->
                asked
                    .header("Content-Type")
                    .filter(type -> type.contains("action="))
                    .map(type -> type.replaceFirst(".*action=([^;]*).*", "$1")))
        .orElse("")
        .replace("\"", "");
  }

  private static Name firstInBody(byte[] body) {
    try (XmlCursor cursor = XmlCursor.open(new SourceText("request", body), Limits.ANSWER)) {
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (cursor.local().equals("Body")) {
          int inside = cursor.depth();
          return cursor.nextChild(inside) ? cursor.name() : Name.of("", "an empty body");
        }
      }
    } catch (DocumentException e) {
      throw Refusal.of(BAD, List.of(e.finding()));
    }
    throw new Refusal(BAD, "The envelope has no body.");
  }

  @Override
  public Response write(Question question, RecordValue value) {
    OperationWire.Soap wire = (OperationWire.Soap) question.wire();
    if (wire.oneWay()) {
      return new Response(202, Map.of(), new byte[0]);
    }
    Operation back = turned(question.operation(), wire).back();
    Outcome<Request> written =
        codec.write(service, back, back.wires().getFirst(), value, Access.NONE, STAMP);
    if (written.value().isEmpty()) {
      throw Refusal.of(BAD, written.findings());
    }
    return new Response(200, Map.of("Content-Type", List.of(type())), written.get().body());
  }

  private String type() {
    return protocol == Protocol.SOAP_1_1
        ? "text/xml; charset=utf-8"
        : "application/soap+xml; charset=utf-8";
  }

  /**
   * SOAP 1.1, section 4.4; SOAP 1.2 part 1, section 5.4. What is about the connection, not the
   * message, keeps its status.
   */
  @Override
  public Response refuse(Refusal refusal) {
    boolean older = protocol == Protocol.SOAP_1_1;
    String namespace =
        older
            ? "http://schemas.xmlsoap.org/soap/envelope/"
            : "http://www.w3.org/2003/05/soap-envelope";
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try {
      XMLStreamWriter out =
          XMLOutputFactory.newFactory().createXMLStreamWriter(bytes, StandardCharsets.UTF_8.name());
      out.writeStartElement("s", "Envelope", namespace);
      out.writeNamespace("s", namespace);
      out.writeStartElement("s", "Body", namespace);
      out.writeStartElement("s", "Fault", namespace);
      if (older) {
        element(out, "faultcode", ours(refusal) ? "s:Server" : "s:Client");
        element(out, "faultstring", refusal.reason());
      } else {
        out.writeStartElement("s", "Code", namespace);
        out.writeStartElement("s", "Value", namespace);
        out.writeCharacters(ours(refusal) ? "s:Receiver" : "s:Sender");
        out.writeEndElement();
        out.writeEndElement();
        out.writeStartElement("s", "Reason", namespace);
        out.writeStartElement("s", "Text", namespace);
        out.writeAttribute("xml", "http://www.w3.org/XML/1998/namespace", "lang", "en");
        out.writeCharacters(refusal.reason());
        out.writeEndElement();
        out.writeEndElement();
      }
      out.writeEndDocument();
      out.close();
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
    return new Response(
        CONNECTION.contains(refusal.status()) ? refusal.status() : BAD,
        Map.of("Content-Type", List.of(type())),
        bytes.toByteArray());
  }

  /** Whether it is not the asker's fault. */
  private static boolean ours(Refusal refusal) {
    return refusal.status() > BAD;
  }

  private static void element(XMLStreamWriter out, String name, String text)
      throws XMLStreamException {
    out.writeStartElement(name);
    out.writeCharacters(text);
    out.writeEndElement();
  }
}
