package org.mapsel.core.read.wsdl;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.InterfaceDeclaration;
import org.mapsel.core.declare.InterfaceDeclaration.FaultDeclaration;
import org.mapsel.core.declare.InterfaceDeclaration.OperationDeclaration;
import org.mapsel.core.declare.MessageDeclaration;
import org.mapsel.core.declare.MessageDeclaration.PartDeclaration;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/** Reads messages and port types (WSDL 1.1, sections 2.3 and 2.4). */
final class InterfaceReader {

  private final XmlCursor cursor;
  private final String target;
  private final QualifiedNames names;

  InterfaceReader(XmlCursor cursor, Reading reading, String target) {
    this.cursor = cursor;
    this.target = target;
    this.names = new QualifiedNames(cursor, reading);
  }

  MessageDeclaration message() throws DocumentException {
    Name name = Name.of(target, cursor.attribute("name").orElse(""));
    List<PartDeclaration> parts = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("part")) {
        parts.add(
            new PartDeclaration(
                cursor.attribute("name").orElse(""),
                names.attribute("element"),
                names.attribute("type"),
                cursor.place()));
      }
    }
    return new MessageDeclaration(name, parts);
  }

  InterfaceDeclaration portType() throws DocumentException {
    Name name = Name.of(target, cursor.attribute("name").orElse(""));
    List<OperationDeclaration> operations = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("operation")) {
        operations.add(operation());
      }
    }
    return new InterfaceDeclaration(name, List.of(), operations);
  }

  private OperationDeclaration operation() throws DocumentException {
    Place place = cursor.place();
    String name = cursor.attribute("name").orElse("").strip();
    Optional<String> inputName = Optional.empty();
    Optional<String> outputName = Optional.empty();
    Optional<String> addressingAction = Optional.empty();
    Optional<Name> input = Optional.empty();
    Optional<Name> output = Optional.empty();
    List<FaultDeclaration> faults = new ArrayList<>();
    String documentation = "";
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "documentation" -> documentation = cursor.text().strip().replaceAll("\\s+", " ");
        case "input" -> {
          inputName = cursor.attribute("name");
          input = names.attribute("message");
          addressingAction = Addressing.action(cursor);
        }
        case "output" -> {
          outputName = cursor.attribute("name");
          output = names.attribute("message");
        }
        case "fault" -> {
          Place at = cursor.place();
          String fault = cursor.attribute("name").orElse("");
          names
              .attribute("message")
              .ifPresent(message -> faults.add(new FaultDeclaration(fault, message, at)));
        }
        default -> {}
      }
    }
    return new OperationDeclaration(
        name, inputName, outputName, addressingAction, input, output, faults, documentation, place);
  }
}
