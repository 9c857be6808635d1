package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.BindingDeclaration.BoundMessage;
import org.mapsel.core.declare.BindingDeclaration.BoundOperation;
import org.mapsel.core.declare.BindingDeclaration.HeaderUse;
import org.mapsel.core.declare.InterfaceDeclaration.FaultDeclaration;
import org.mapsel.core.declare.InterfaceDeclaration.OperationDeclaration;
import org.mapsel.core.declare.MessageDeclaration;
import org.mapsel.core.declare.MessageDeclaration.PartDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.Place;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Fault;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/**
 * Messages to the records that go in and come back. The element that wraps a message is not a
 * field: its fields are the parameters (WSDL 1.1, section 3.5).
 */
final class MessageLinker {

  /** Both sides of an operation, linked. */
  record Linked(
      ShapeId input,
      ShapeId output,
      Optional<Name> request,
      Optional<Name> response,
      List<Fault> faults) {

    Operation operation(OperationId id, OperationDeclaration declared, OperationWire wire) {
      return new Operation(
          id,
          declared.name(),
          EffectGuess.of(declared.name()),
          declared.documentation(),
          input,
          output,
          faults,
          List.of(wire));
    }
  }

  private record Side(ShapeId shape, Optional<Name> wrapper) {}

  private final ShapeBuilder shapes;

  MessageLinker(ShapeBuilder shapes) {
    this.shapes = shapes;
  }

  /** Nothing if a message is declared nowhere; then a finding says so. */
  Optional<Linked> link(
      OperationId id, OperationDeclaration operation, BoundOperation bound, boolean rpc) {
    Optional<Side> input = side(id, "in", operation, operation.input(), bound.input(), rpc);
    Optional<Side> output = side(id, "out", operation, operation.output(), bound.output(), rpc);
    if (input.isEmpty() || output.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new Linked(
            input.get().shape(),
            output.get().shape(),
            input.get().wrapper(),
            output.get().wrapper(),
            faults(operation)));
  }

  private Optional<Side> side(
      OperationId id,
      String direction,
      OperationDeclaration operation,
      Optional<Name> messageName,
      BoundMessage bound,
      boolean rpc) {
    ShapeId shape = new ShapeId("", "/" + id + "/" + direction);
    if (messageName.isEmpty()) {
      shapes.add(new Shape.Record(shape, List.of()));
      return Optional.of(new Side(shape, Optional.empty()));
    }
    MessageDeclaration message = shapes.declarations().messages().get(messageName.get());
    if (message == null) {
      missingMessage(operation.name(), messageName.get(), operation.place());
      return Optional.empty();
    }
    FieldList fields = new FieldList();
    List<PartDeclaration> body = bodyParts(operation, message, bound);
    Optional<Name> wrapper;
    if (rpc) {
      String local = operation.name() + (direction.equals("out") ? "Response" : "");
      wrapper = Optional.of(Name.of(bound.namespace(), local));
      body.forEach(part -> rpcField(operation, part, shape).ifPresent(fields::add));
    } else {
      wrapper = documentFields(operation, body, fields);
    }
    headers(operation, bound).forEach(fields::add);
    shapes.add(new Shape.Record(shape, fields.toList()));
    return Optional.of(new Side(shape, wrapper));
  }

  private List<PartDeclaration> bodyParts(
      OperationDeclaration operation, MessageDeclaration message, BoundMessage bound) {
    if (bound.bodyParts().isPresent()) {
      List<PartDeclaration> named = new ArrayList<>();
      for (String wanted : bound.bodyParts().get()) {
        part(operation, message, wanted, operation.place()).ifPresent(named::add);
      }
      return named;
    }
    Set<String> inHeader = new HashSet<>();
    for (HeaderUse header : bound.headers()) {
      if (header.message().equals(message.name())) {
        inHeader.add(header.part());
      }
    }
    return message.parts().stream().filter(part -> !inHeader.contains(part.name())).toList();
  }

  private Optional<Field> rpcField(
      OperationDeclaration operation, PartDeclaration part, ShapeId owner) {
    if (part.type().isPresent()) {
      ShapeId shape =
          shapes.shapeOf(
              new TypeRef.Named(part.type().get(), part.place()), owner.inner(part.name()));
      return Optional.of(
          Field.of(
              part.name(), shape, Occurrence.ONE, new Wire.XmlElement(Name.of("", part.name()))));
    }
    return element(operation, part);
  }

  /** The wrapper, if the body has one element with fields of its own. */
  private Optional<Name> documentFields(
      OperationDeclaration operation, List<PartDeclaration> body, FieldList fields) {
    List<Field> elements = new ArrayList<>();
    body.forEach(part -> element(operation, part).ifPresent(elements::add));
    if (elements.size() == 1) {
      Field only = elements.get(0);
      shapes.finish();
      if (shapes.built(only.shape()) instanceof Shape.Record record) {
        record.fields().forEach(fields::add);
        return Optional.of(((Wire.XmlElement) only.wire()).name());
      }
    }
    elements.forEach(fields::add);
    return Optional.empty();
  }

  private Optional<Field> element(OperationDeclaration operation, PartDeclaration part) {
    if (part.element().isEmpty()) {
      shapes
          .findings()
          .add(
              Finding.error("WSDL_PART_UNTYPED", "operation", operation.name(), "name", part.name())
                  .at(part.place()));
      return Optional.empty();
    }
    return shapes.globalElement(part.element().get(), Occurrence.ONE, part.place());
  }

  private List<Field> headers(OperationDeclaration operation, BoundMessage bound) {
    List<Field> headers = new ArrayList<>();
    for (HeaderUse header : bound.headers()) {
      MessageDeclaration message = shapes.declarations().messages().get(header.message());
      if (message == null) {
        missingMessage(operation.name(), header.message(), header.place());
        continue;
      }
      part(operation, message, header.part(), header.place())
          .flatMap(part -> element(operation, part))
          .map(field -> field.on(new Wire.SoapHeader(((Wire.XmlElement) field.wire()).name())))
          .ifPresent(headers::add);
    }
    return headers;
  }

  private Optional<PartDeclaration> part(
      OperationDeclaration operation, MessageDeclaration message, String wanted, Place from) {
    Optional<PartDeclaration> found =
        message.parts().stream().filter(part -> part.name().equals(wanted)).findFirst();
    if (found.isEmpty()) {
      shapes
          .findings()
          .add(
              Finding.error(
                      "WSDL_PART_MISSING",
                      "operation",
                      operation.name(),
                      "name",
                      wanted,
                      "near",
                      Names.near(
                          Name.of("", wanted),
                          message.parts().stream().map(part -> Name.of("", part.name())).toList()))
                  .at(from));
    }
    return found;
  }

  private List<Fault> faults(OperationDeclaration operation) {
    List<Fault> faults = new ArrayList<>();
    for (FaultDeclaration declared : operation.faults()) {
      MessageDeclaration message = shapes.declarations().messages().get(declared.message());
      if (message == null) {
        missingMessage(operation.name(), declared.message(), declared.place());
        continue;
      }
      message.parts().stream()
          .findFirst()
          .flatMap(part -> element(operation, part))
          .ifPresent(
              field ->
                  faults.add(
                      new Fault(
                          declared.name(),
                          ((Wire.XmlElement) field.wire()).name(),
                          field.shape())));
    }
    return faults;
  }

  private void missingMessage(String operation, Name name, Place from) {
    shapes
        .findings()
        .add(
            Finding.error(
                    "WSDL_MESSAGE_MISSING",
                    "operation",
                    operation,
                    "name",
                    name.toString(),
                    "near",
                    Names.near(name, shapes.declarations().messages().keySet()))
                .at(from));
  }
}
