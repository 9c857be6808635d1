package org.mapsel.core.read.wsdl;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.BindingDeclaration;
import org.mapsel.core.declare.BindingDeclaration.BoundMessage;
import org.mapsel.core.declare.BindingDeclaration.BoundOperation;
import org.mapsel.core.declare.BindingDeclaration.HeaderUse;
import org.mapsel.core.declare.ServiceDeclaration;
import org.mapsel.core.declare.ServiceDeclaration.PortDeclaration;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Protocol;

/** Reads bindings and services (WSDL 1.1, sections 2.5 to 2.7 and 3). */
final class BindingReader {

  private static final String SOAP_11 = "http://schemas.xmlsoap.org/wsdl/soap/";
  private static final String SOAP_12 = "http://schemas.xmlsoap.org/wsdl/soap12/";

  private final XmlCursor cursor;
  private final String target;
  private final QualifiedNames names;

  BindingReader(XmlCursor cursor, Findings findings, String target) {
    this.cursor = cursor;
    this.target = target;
    this.names = new QualifiedNames(cursor, findings, target);
  }

  private boolean onSoap() {
    return cursor.namespace().equals(SOAP_11) || cursor.namespace().equals(SOAP_12);
  }

  BindingDeclaration binding() throws DocumentException {
    Place place = cursor.place();
    Name name = Name.of(target, cursor.attribute("name").orElse(""));
    Name interfaceName = names.attribute("type").orElse(Name.of("", ""));
    Optional<Protocol> protocol = Optional.empty();
    boolean rpc = false;
    List<BoundOperation> operations = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (onSoap() && cursor.local().equals("binding")) {
        protocol =
            Optional.of(cursor.namespace().equals(SOAP_11) ? Protocol.SOAP_1_1 : Protocol.SOAP_1_2);
        rpc = isRpc().orElse(false);
      } else if (cursor.local().equals("operation")) {
        operations.add(operation());
      }
    }
    return new BindingDeclaration(name, interfaceName, protocol, rpc, operations, place);
  }

  private Optional<Boolean> isRpc() {
    return cursor.attribute("style").map(style -> style.strip().equals("rpc"));
  }

  private BoundOperation operation() throws DocumentException {
    Place place = cursor.place();
    String name = cursor.attribute("name").orElse("").strip();
    Optional<String> inputName = Optional.empty();
    String action = "";
    Optional<Boolean> rpc = Optional.empty();
    BoundMessage input = BoundMessage.PLAIN;
    BoundMessage output = BoundMessage.PLAIN;
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (onSoap() && cursor.local().equals("operation")) {
        action = cursor.attribute("soapAction").orElse("");
        rpc = isRpc();
      } else if (cursor.local().equals("input")) {
        inputName = cursor.attribute("name");
        input = message();
      } else if (cursor.local().equals("output")) {
        output = message();
      }
    }
    return new BoundOperation(name, inputName, action, rpc, input, output, place);
  }

  private BoundMessage message() throws DocumentException {
    BoundMessage read = BoundMessage.PLAIN;
    List<HeaderUse> headers = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (onSoap() && cursor.local().equals("body")) {
        read = body();
      } else if (onSoap() && cursor.local().equals("header")) {
        Place place = cursor.place();
        Optional<Name> message = names.attribute("message");
        String part = cursor.attribute("part").orElse("");
        message.ifPresent(from -> headers.add(new HeaderUse(from, part, place)));
      }
    }
    return new BoundMessage(read.encoded(), read.namespace(), read.bodyParts(), headers);
  }

  private BoundMessage body() {
    return new BoundMessage(
        cursor.attribute("use").map(use -> use.strip().equals("encoded")).orElse(false),
        cursor.attribute("namespace").orElse(""),
        cursor
            .attribute("parts")
            .map(
                parts ->
                    Arrays.stream(parts.strip().split("\\s+"))
                        .filter(part -> !part.isEmpty())
                        .toList()),
        List.of());
  }

  ServiceDeclaration service() throws DocumentException {
    Name name = Name.of(target, cursor.attribute("name").orElse(""));
    String documentation = "";
    List<PortDeclaration> ports = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "documentation" -> documentation = cursor.text().strip().replaceAll("\\s+", " ");
        case "port" -> ports.add(port());
        default -> {}
      }
    }
    return new ServiceDeclaration(name, documentation, ports);
  }

  private PortDeclaration port() throws DocumentException {
    Place place = cursor.place();
    String name = cursor.attribute("name").orElse("");
    Name binding = names.attribute("binding").orElse(Name.of("", ""));
    String address = "";
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("address")) {
        address = cursor.attribute("location").orElse("").strip();
      }
    }
    return new PortDeclaration(name, binding, address, place);
  }
}
