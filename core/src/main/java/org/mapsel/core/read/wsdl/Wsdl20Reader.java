package org.mapsel.core.read.wsdl;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.declare.BindingDeclaration;
import org.mapsel.core.declare.BindingDeclaration.BoundMessage;
import org.mapsel.core.declare.BindingDeclaration.BoundOperation;
import org.mapsel.core.declare.InterfaceDeclaration;
import org.mapsel.core.declare.InterfaceDeclaration.FaultDeclaration;
import org.mapsel.core.declare.InterfaceDeclaration.OperationDeclaration;
import org.mapsel.core.declare.MessageDeclaration;
import org.mapsel.core.declare.MessageDeclaration.PartDeclaration;
import org.mapsel.core.declare.ServiceDeclaration;
import org.mapsel.core.declare.ServiceDeclaration.PortDeclaration;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.xsd.SchemaReader;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Protocol;

/** Reads WSDL 2.0 as far as interfaces, SOAP bindings and endpoints go. */
public final class Wsdl20Reader implements DescriptionReader {

  private static final String WSDL = "http://www.w3.org/ns/wsdl";
  private static final String SOAP = "http://www.w3.org/ns/wsdl/soap";
  private static final String PART = "content";

  @Override
  public boolean recognises(String head) {
    return head.contains(WSDL + "\"") || head.contains(WSDL + "'");
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    Documents documents = new Documents(reading);
    Map<Name, Name> faults = new HashMap<>();
    documents.readAll(source, cursor -> new Document(cursor, reading, documents, faults).read());
    return new Format("WSDL", "2.0");
  }

  /** One document being read. */
  private static final class Document {

    private final XmlCursor cursor;
    private final Reading reading;
    private final Documents documents;
    private final QualifiedNames names;
    private final String target;

    /** The elements of the faults that interfaces declare, for operations to refer to. */
    private final Map<Name, Name> faults;

    Document(XmlCursor cursor, Reading reading, Documents documents, Map<Name, Name> faults) {
      this.cursor = cursor;
      this.reading = reading;
      this.documents = documents;
      this.faults = faults;
      this.names = new QualifiedNames(cursor, reading);
      this.target = cursor.attribute("targetNamespace").orElse("");
    }

    void read() throws DocumentException {
      if (!cursor.name().equals(Name.of(WSDL, "description"))) {
        documents.unexpected(cursor);
        return;
      }
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        switch (cursor.local()) {
          case "documentation" -> reading.declarations().documentation(text());
          case "import", "include" -> documents.imported(cursor);
          case "types" -> types();
          case "interface" -> readInterface();
          case "binding" -> reading.declarations().add(binding());
          case "service" -> reading.declarations().add(service());
          default -> Extensions.passOver(cursor, reading);
        }
      }
    }

    private String text() throws DocumentException {
      return cursor.text().strip().replaceAll("\\s+", " ");
    }

    private Name ownName() {
      return Name.of(target, cursor.attribute("name").orElse("").strip());
    }

    private void types() throws DocumentException {
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (SchemaReader.isSchema(cursor)) {
          documents.schemas().readInline(cursor);
        } else if (cursor.local().equals("import")) {
          Place place = cursor.place();
          cursor.attribute("schemaLocation").ifPresent(at -> documents.schemas().ask(at, place));
        }
      }
    }

    /** Section 2.2. */
    private void readInterface() throws DocumentException {
      Name name = ownName();
      List<Name> bases = new ArrayList<>();
      for (String base : cursor.attribute("extends").orElse("").strip().split("\\s+")) {
        if (!base.isEmpty()) {
          bases.add(names.resolve(base));
        }
      }
      List<OperationDeclaration> operations = new ArrayList<>();
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (cursor.local().equals("operation")) {
          operations.add(operation(name));
        } else if (cursor.local().equals("fault")) {
          Name fault = ownName();
          element().ifPresent(element -> faults.put(fault, element));
        }
      }
      reading.declarations().add(new InterfaceDeclaration(name, bases, operations), cursor.place());
    }

    /** The element that a message consists of; none for "#none", "#any" and "#other". */
    private Optional<Name> element() {
      return cursor
          .attribute("element")
          .map(String::strip)
          .filter(element -> !element.startsWith("#"))
          .map(names::resolve);
    }

    /** Section 2.4; its messages get names that no document could give them. */
    private OperationDeclaration operation(Name owner) throws DocumentException {
      Place place = cursor.place();
      String name = cursor.attribute("name").orElse("").strip();
      Optional<Name> input = Optional.empty();
      Optional<Name> output = Optional.empty();
      List<FaultDeclaration> announced = new ArrayList<>();
      String documentation = "";
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        Name message =
            Name.of(owner.namespace(), owner.local() + "/" + name + "/" + cursor.local());
        switch (cursor.local()) {
          case "documentation" -> documentation = text();
          case "input" -> input = Optional.of(message(message, element()));
          case "output" -> output = Optional.of(message(message, element()));
          case "outfault" -> {
            Optional<Name> ref = names.attribute("ref");
            Name fault = Name.of(message.namespace(), message.local() + announced.size());
            ref.map(faults::get)
                .ifPresent(
                    element ->
                        announced.add(
                            new FaultDeclaration(
                                ref.get().local(), message(fault, Optional.of(element)), place)));
          }
          default -> {}
        }
      }
      return new OperationDeclaration(
          name,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          input,
          output,
          announced,
          documentation,
          place);
    }

    private Name message(Name name, Optional<Name> element) {
      List<PartDeclaration> parts =
          element
              .map(
                  one ->
                      new PartDeclaration(PART, Optional.of(one), Optional.empty(), cursor.place()))
              .stream()
              .toList();
      reading.declarations().add(new MessageDeclaration(name, parts), cursor.place());
      return name;
    }

    /** Section 2.9 and part 2, section 5. */
    private BindingDeclaration binding() throws DocumentException {
      Place place = cursor.place();
      Name name = ownName();
      Name interfaceName = names.attribute("interface").orElse(Name.of("", ""));
      boolean soap = cursor.attribute("type").orElse("").strip().equals(SOAP);
      boolean old = cursor.attribute(SOAP, "version").orElse("1.2").strip().equals("1.1");
      boolean addressing = false;
      List<BoundOperation> operations = new ArrayList<>();
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (cursor.local().equals("operation")) {
          operations.add(boundOperation());
        } else {
          addressing |= Addressing.isWanted(cursor);
        }
      }
      return new BindingDeclaration(
          name,
          interfaceName,
          soap ? Optional.of(old ? Protocol.SOAP_1_1 : Protocol.SOAP_1_2) : Optional.empty(),
          false,
          addressing,
          true,
          operations,
          place);
    }

    private BoundOperation boundOperation() {
      return new BoundOperation(
          names.attribute("ref").map(Name::local).orElse(""),
          Optional.empty(),
          Optional.empty(),
          cursor.attribute(SOAP, "action").orElse("").strip(),
          "",
          Optional.empty(),
          BoundMessage.PLAIN,
          BoundMessage.PLAIN,
          cursor.place());
    }

    /** Section 2.12 and 2.13. */
    private ServiceDeclaration service() throws DocumentException {
      Name name = ownName();
      String documentation = "";
      List<PortDeclaration> ports = new ArrayList<>();
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        if (cursor.local().equals("documentation")) {
          documentation = text();
        } else if (cursor.local().equals("endpoint")) {
          ports.add(
              new PortDeclaration(
                  cursor.attribute("name").orElse(""),
                  names.attribute("binding").orElse(Name.of("", "")),
                  cursor.attribute("address").orElse("").strip(),
                  cursor.place()));
        }
      }
      return new ServiceDeclaration(name, documentation, ports);
    }
  }
}
