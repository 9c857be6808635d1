package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.BindingDeclaration.BoundMessage;
import org.mapsel.core.declare.BindingDeclaration.BoundOperation;
import org.mapsel.core.declare.BindingDeclaration.Content;
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
  record Linked(Side input, Side output, List<Fault> faults) {}

  /**
   * One side of an operation.
   *
   * @param wrapper the element around the fields, where there is one
   */
  record Side(ShapeId shape, Optional<Name> wrapper) {}

  /** How messages are written at the port an operation is linked for. */
  enum Manner {
    DOCUMENT,
    RPC,
    /** Parameters in a plain HTTP request, the answer an XML document or a text. */
    HTTP
  }

  private static final TypeRef BINARY =
      new TypeRef.Named(Name.of(BuiltInTypes.XSD, "base64Binary"), Place.in(""));

  private final ShapeBuilder shapes;
  private final Map<OperationId, Integer> attempts = new HashMap<>();

  MessageLinker(ShapeBuilder shapes) {
    this.shapes = shapes;
  }

  /** A side whose message is declared nowhere has no fields; then a finding says so. */
  Linked link(OperationId id, OperationDeclaration operation, BoundOperation bound, Manner manner) {
    // An id may be tried for several ports; what was made for one is not what another means.
    int tried = attempts.merge(id, 1, Integer::sum);
    String own = tried == 1 ? id.text() : id.text() + "~" + tried;
    return new Linked(
        side(new Asked(own, "in", operation, manner), operation.input(), bound.input()),
        side(new Asked(own, "out", operation, manner), operation.output(), bound.output()),
        faults(operation, bound));
  }

  /**
   * Which side of which operation is being linked.
   *
   * @param own what the shapes of this operation at this port are called
   */
  private record Asked(
      String own, String direction, OperationDeclaration operation, Manner manner) {

    ShapeId shape() {
      return new ShapeId("", "/" + own + "/" + direction);
    }

    boolean goesIn() {
      return direction.equals("in");
    }
  }

  private Side side(Asked asked, Optional<Name> messageName, BoundMessage bound) {
    if (messageName.isEmpty()) {
      return nothing(asked);
    }
    MessageDeclaration message = shapes.declarations().messages().get(messageName.get());
    if (message == null) {
      missingMessage(asked.operation().name(), messageName.get(), asked.operation().place());
      return nothing(asked);
    }
    List<PartDeclaration> body = bodyParts(asked.operation(), message, bound);
    FieldList beside = new FieldList();
    headers(asked.operation(), bound.headers()).forEach(beside::add);
    attachments(asked, message, bound, body).forEach(beside::add);
    return switch (asked.manner()) {
      case DOCUMENT -> document(asked, body, beside.toList());
      case RPC -> rpc(asked, body, bound, beside.toList());
      case HTTP -> http(asked, body, bound);
    };
  }

  private Side nothing(Asked asked) {
    shapes.add(new Shape.Record(asked.shape(), List.of()));
    return new Side(asked.shape(), Optional.empty());
  }

  private Side rpc(
      Asked asked, List<PartDeclaration> body, BoundMessage bound, List<Field> beside) {
    FieldList fields = new FieldList();
    body.forEach(part -> rpcField(asked, part).ifPresent(fields::add));
    beside.forEach(fields::add);
    shapes.add(new Shape.Record(asked.shape(), fields.toList()));
    String local = asked.operation().name() + (asked.goesIn() ? "" : "Response");
    return new Side(asked.shape(), Optional.of(Name.of(bound.namespace(), local)));
  }

  private Side http(Asked asked, List<PartDeclaration> body, BoundMessage bound) {
    if (bound.content() != Content.OTHER && !isForm(bound)) {
      return document(asked, body, List.of());
    }
    FieldList fields = new FieldList();
    for (PartDeclaration part : body) {
      Optional<Field> field = rpcField(asked, part);
      List<Field> inside = part.element().isPresent() ? inside(field) : List.of();
      if (isForm(bound) && !inside.isEmpty()) {
        // What stands in the element are the parameters, each by its own name.
        inside.forEach(one -> fields.add(one.on(Wire.Parameter.plain(one.wire().label()))));
      } else {
        Wire wire = isForm(bound) ? Wire.Parameter.plain(part.name()) : new Wire.Body();
        field.map(one -> one.on(wire).named(part.name())).ifPresent(fields::add);
      }
    }
    shapes.add(new Shape.Record(asked.shape(), fields.toList()));
    return new Side(asked.shape(), Optional.empty());
  }

  private List<Field> inside(Optional<Field> element) {
    shapes.finish();
    return element
        .map(field -> shapes.built(field.shape()))
        .filter(Shape.Record.class::isInstance)
        .map(record -> ((Shape.Record) record).fields())
        .orElse(List.of());
  }

  private static boolean isForm(BoundMessage bound) {
    return bound.content() == Content.URL_ENCODED || bound.content() == Content.URL_REPLACEMENT;
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
    Set<String> elsewhere = new HashSet<>(bound.attachments());
    for (HeaderUse header : bound.headers()) {
      if (header.message().equals(message.name())) {
        elsewhere.add(header.part());
      }
    }
    List<PartDeclaration> left =
        message.parts().stream().filter(part -> !elsewhere.contains(part.name())).toList();
    // A body that is said to be there is not left empty for a part that stands beside it as well.
    return left.isEmpty()
        ? message.parts().stream()
            .filter(part -> bound.attachments().contains(part.name()))
            .filter(part -> part.element().isPresent())
            .toList()
        : left;
  }

  /** A part given by a type stands under its own name, in no namespace (section 3.5). */
  private Optional<Field> rpcField(Asked asked, PartDeclaration part) {
    if (part.type().isPresent()) {
      ShapeId shape =
          shapes.shapeOf(
              new TypeRef.Named(part.type().get(), part.place()), asked.shape(), part.name());
      return Optional.of(
          Field.of(
              part.name(), shape, Occurrence.ONE, new Wire.XmlElement(Name.of("", part.name()))));
    }
    return element(asked.operation(), part);
  }

  /** The body's only element is the wrapper, if it has fields of its own. */
  private Side document(Asked asked, List<PartDeclaration> body, List<Field> beside) {
    List<Field> elements = new ArrayList<>();
    body.forEach(part -> rpcField(asked, part).ifPresent(elements::add));
    if (elements.size() == 1) {
      Field only = elements.get(0);
      shapes.finish();
      if (shapes.built(only.shape()) instanceof Shape.Record record) {
        Optional<Name> wrapper = Optional.of(((Wire.XmlElement) only.wire()).name());
        if (beside.isEmpty()) {
          return new Side(record.id(), wrapper);
        }
        return new Side(record(asked, record.fields(), beside), wrapper);
      }
    }
    return new Side(record(asked, elements, beside), Optional.empty());
  }

  private ShapeId record(Asked asked, List<Field> body, List<Field> beside) {
    FieldList fields = new FieldList();
    body.forEach(fields::add);
    beside.forEach(fields::add);
    return shapes.add(new Shape.Record(asked.shape(), fields.toList()));
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
    Name name = part.element().get();
    Optional<Field> declared = shapes.globalElement(name, Occurrence.ONE, part.place());
    return declared.isPresent()
        ? declared
        : Optional.of(
            Field.of(name.local(), shapes.open(), Occurrence.ONE, new Wire.XmlElement(name)));
  }

  private List<Field> headers(OperationDeclaration operation, List<HeaderUse> uses) {
    List<Field> headers = new ArrayList<>();
    for (HeaderUse header : uses) {
      MessageDeclaration message = shapes.declarations().messages().get(header.message());
      if (message == null) {
        missingMessage(operation.name(), header.message(), header.place());
        continue;
      }
      part(operation, message, header.part(), header.place())
          .flatMap(part -> alone(operation, part, part.name()))
          .map(field -> field.on(new Wire.SoapHeader(((Wire.XmlElement) field.wire()).name())))
          .ifPresent(headers::add);
    }
    return headers;
  }

  /** What stands in the body does not travel a second time. */
  private List<Field> attachments(
      Asked asked, MessageDeclaration message, BoundMessage bound, List<PartDeclaration> body) {
    ShapeId binary = shapes.shapeOf(BINARY, asked.shape(), "attachment");
    return message.parts().stream()
        .filter(part -> bound.attachments().contains(part.name()))
        .filter(part -> !body.contains(part))
        .map(
            part ->
                Field.of(
                    part.name(), binary, Occurrence.OPTIONAL, new Wire.Attachment(part.name())))
        .toList();
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

  /** Whether two messages have the same fields. */
  boolean areAlike(ShapeId one, ShapeId other) {
    return one.equals(other)
        || shapes.built(one) instanceof Shape.Record left
            && shapes.built(other) instanceof Shape.Record right
            && left.fields().equals(right.fields());
  }

  private List<Fault> faults(OperationDeclaration operation, BoundOperation bound) {
    List<Fault> faults = new ArrayList<>();
    headers(operation, bound.input().headerFaults()).forEach(field -> faults.add(fault(field)));
    headers(operation, bound.output().headerFaults()).forEach(field -> faults.add(fault(field)));
    for (FaultDeclaration declared : operation.faults()) {
      MessageDeclaration message = shapes.declarations().messages().get(declared.message());
      if (message == null) {
        missingMessage(operation.name(), declared.message(), declared.place());
        continue;
      }
      if (message.parts().isEmpty()) {
        ShapeId none = new ShapeId("", "/" + operation.name() + "/" + declared.name());
        shapes.add(new Shape.Record(none, List.of()));
        faults.add(new Fault(declared.name(), Optional.empty(), none));
      }
      message.parts().stream()
          .findFirst()
          .flatMap(part -> alone(operation, part, declared.name()))
          .ifPresent(
              field ->
                  faults.add(
                      new Fault(
                          declared.name(),
                          Optional.of(((Wire.XmlElement) field.wire()).name()),
                          field.shape())));
    }
    return faults;
  }

  private static Fault fault(Field header) {
    return new Fault(
        header.name(), Optional.of(((Wire.SoapHeader) header.wire()).name()), header.shape());
  }

  /**
   * A part that stands alone: one given by a type is an element of the part's name.
   *
   * @param name of what is made of the type, where it has none
   */
  private Optional<Field> alone(OperationDeclaration operation, PartDeclaration part, String name) {
    return part.type()
        .map(
            type ->
                Field.of(
                    part.name(),
                    shapes.shapeOf(
                        new TypeRef.Named(type, part.place()),
                        new ShapeId("", "/" + operation.name()),
                        name),
                    Occurrence.ONE,
                    (Wire) new Wire.XmlElement(Name.of("", part.name()))))
        .or(() -> element(operation, part));
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
