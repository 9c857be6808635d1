package org.mapsel.core.read.wsdl;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.BindingDeclaration;
import org.mapsel.core.declare.BindingDeclaration.BoundMessage;
import org.mapsel.core.declare.BindingDeclaration.BoundOperation;
import org.mapsel.core.declare.BindingDeclaration.Content;
import org.mapsel.core.declare.BindingDeclaration.HeaderUse;
import org.mapsel.core.declare.ServiceDeclaration;
import org.mapsel.core.declare.ServiceDeclaration.PortDeclaration;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Protocol;

/** Reads bindings and services (WSDL 1.1, sections 2.5 to 2.7 and 3 to 5). */
final class BindingReader {

  private static final String SOAP_11 = "http://schemas.xmlsoap.org/wsdl/soap/";
  private static final String SOAP_12 = "http://schemas.xmlsoap.org/wsdl/soap12/";
  private static final String HTTP = "http://schemas.xmlsoap.org/wsdl/http/";
  private static final String MIME = "http://schemas.xmlsoap.org/wsdl/mime/";

  private final XmlCursor cursor;
  private final Reading reading;
  private final String target;
  private final QualifiedNames names;

  BindingReader(XmlCursor cursor, Reading reading, String target) {
    this.cursor = cursor;
    this.reading = reading;
    this.target = target;
    this.names = new QualifiedNames(cursor, reading);
  }

  private boolean onSoap() {
    return cursor.namespace().equals(SOAP_11) || cursor.namespace().equals(SOAP_12);
  }

  private boolean on(String namespace, String local) {
    return cursor.local().equals(local) && cursor.namespace().equals(namespace);
  }

  BindingDeclaration binding() throws DocumentException {
    Place place = cursor.place();
    Name name = Name.of(target, cursor.attribute("name").orElse(""));
    Name interfaceName = names.attribute("type").orElse(Name.of("", ""));
    Optional<Protocol> protocol = Optional.empty();
    boolean rpc = false;
    boolean addressing = false;
    List<BoundOperation> operations = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (onSoap() && cursor.local().equals("binding")) {
        protocol =
            Optional.of(cursor.namespace().equals(SOAP_11) ? Protocol.SOAP_1_1 : Protocol.SOAP_1_2);
        rpc = isRpc().orElse(false);
      } else if (on(HTTP, "binding")) {
        boolean get = cursor.attribute("verb").orElse("").strip().equalsIgnoreCase("GET");
        protocol = Optional.of(get ? Protocol.HTTP_GET : Protocol.HTTP_POST);
      } else if (on(WsdlReader.WSDL, "operation")) {
        operations.add(operation());
      } else if (Addressing.isWanted(cursor)) {
        addressing = true;
      } else if (!cursor.namespace().equals(WsdlReader.WSDL)) {
        Extensions.passOver(cursor, reading);
      }
    }
    return new BindingDeclaration(
        name, interfaceName, protocol, rpc, addressing, false, operations, place);
  }

  private Optional<Boolean> isRpc() {
    return cursor.attribute("style").map(style -> style.strip().equals("rpc"));
  }

  private BoundOperation operation() throws DocumentException {
    Place place = cursor.place();
    String name = cursor.attribute("name").orElse("").strip();
    Optional<String> inputName = Optional.empty();
    Optional<String> outputName = Optional.empty();
    String action = "";
    String location = "";
    Optional<Boolean> rpc = Optional.empty();
    BoundMessage input = BoundMessage.PLAIN;
    BoundMessage output = BoundMessage.PLAIN;
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (onSoap() && cursor.local().equals("operation")) {
        action = cursor.attribute("soapAction").orElse("").strip();
        rpc = isRpc();
      } else if (on(HTTP, "operation")) {
        location = cursor.attribute("location").orElse("").strip();
      } else if (on(WsdlReader.WSDL, "input")) {
        inputName = cursor.attribute("name");
        input = message();
      } else if (on(WsdlReader.WSDL, "output")) {
        outputName = cursor.attribute("name");
        output = message();
      } else if (!cursor.namespace().equals(WsdlReader.WSDL)) {
        Extensions.passOver(cursor, reading);
      }
    }
    return new BoundOperation(
        name, inputName, outputName, action, location, rpc, input, output, place);
  }

  /** What a message's extension elements say, gathered. */
  private final class Gathered {
    Content content = Content.LITERAL;
    String namespace = "";
    Optional<List<String>> bodyParts = Optional.empty();
    final List<HeaderUse> headers = new ArrayList<>();
    final List<String> attachments = new ArrayList<>();
    final List<HeaderUse> headerFaults = new ArrayList<>();

    /** Takes the element the cursor stands on. */
    void take() throws DocumentException {
      if (onSoap() && cursor.local().equals("body")) {
        body();
      } else if (onSoap() && cursor.local().equals("header")) {
        use().ifPresent(headers::add);
        headerFaults();
      } else if (on(HTTP, "urlEncoded")) {
        content = Content.URL_ENCODED;
      } else if (on(HTTP, "urlReplacement")) {
        content = Content.URL_REPLACEMENT;
      } else if (on(MIME, "mimeXml")) {
        cursor.attribute("part").ifPresent(part -> bodyParts = Optional.of(List.of(part.strip())));
      } else if (on(MIME, "content")) {
        mimeContent();
      } else if (on(MIME, "multipartRelated")) {
        multipart();
      }
    }

    private Optional<HeaderUse> use() {
      Place place = cursor.place();
      String part = cursor.attribute("part").orElse("").strip();
      return names.attribute("message").map(from -> new HeaderUse(from, part, place));
    }

    private void headerFaults() throws DocumentException {
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (onSoap() && cursor.local().equals("headerfault")) {
          use().ifPresent(headerFaults::add);
        }
      }
    }

    private void body() {
      if (cursor.attribute("use").orElse("").strip().equals("encoded")) {
        content = Content.ENCODED;
      }
      namespace = cursor.attribute("namespace").orElse("").strip();
      bodyParts =
          cursor
              .attribute("parts")
              .map(
                  parts ->
                      Arrays.stream(parts.strip().split("\\s+"))
                          .filter(part -> !part.isEmpty())
                          .toList());
    }

    private void mimeContent() {
      String type = cursor.attribute("type").orElse("").strip();
      if (type.equals("application/x-www-form-urlencoded")) {
        content = Content.URL_ENCODED;
      } else if (!type.equals("text/xml") && !type.equals("application/xml")) {
        content = Content.OTHER;
      }
      cursor.attribute("part").ifPresent(part -> bodyParts = Optional.of(List.of(part.strip())));
    }

    private void multipart() throws DocumentException {
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        int inPart = cursor.depth();
        while (cursor.nextChild(inPart)) {
          if (on(MIME, "content")) {
            cursor
                .attribute("part")
                .map(String::strip)
                .filter(part -> !attachments.contains(part))
                .ifPresent(attachments::add);
          } else {
            take();
          }
        }
      }
    }
  }

  private BoundMessage message() throws DocumentException {
    Gathered gathered = new Gathered();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      gathered.take();
    }
    return new BoundMessage(
        gathered.content,
        gathered.namespace,
        gathered.bodyParts,
        gathered.headers,
        gathered.attachments,
        gathered.headerFaults);
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
