package org.mapsel.core.testing;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** A service as a text that people can read and compare. */
public final class Outline {

  private final StringBuilder text = new StringBuilder();
  private final Set<ShapeId> open = new HashSet<>();
  private final Service service;

  private Outline(Service service) {
    this.service = service;
  }

  public static String of(Outcome<Description> read) {
    StringBuilder all = new StringBuilder();
    read.value().ifPresent(description -> all.append(new Outline(description.service()).print()));
    for (Finding finding : read.findings()) {
      all.append(finding.severity())
          .append(' ')
          .append(finding.code())
          .append(' ')
          .append(finding.arguments().getOrDefault("name", ""))
          .append(finding.places().isEmpty() ? "" : " line " + finding.places().get(0).line())
          .append('\n');
    }
    return all.toString();
  }

  private String print() {
    line(0, "service " + service.name());
    service
        .endpoints()
        .forEach(
            e -> line(1, "endpoint " + e.id() + " " + e.protocol().label() + " " + e.address()));
    service.operations().forEach(this::operation);
    return text.toString();
  }

  private void operation(Operation operation) {
    line(1, "operation " + operation.id() + " " + operation.effect());
    for (OperationWire wire : operation.wires()) {
      if (wire instanceof OperationWire.Rest rest) {
        rest(rest);
        continue;
      }
      if (wire instanceof OperationWire.Entities entities) {
        line(2, entities.method() + " " + entities.path() + " " + entities.result());
        continue;
      }
      line(
          2,
          "at "
              + wire.endpoint()
              + " "
              + wire.styleLabel()
              + " action="
              + wire.action()
              + " request="
              + wire.request().map(Object::toString).orElse("-")
              + " response="
              + wire.response().map(Object::toString).orElse("-")
              + addressing(wire));
    }
    line(2, "in");
    fields(3, operation.input());
    line(2, "out");
    fields(3, operation.output());
    operation
        .faults()
        .forEach(
            fault ->
                line(
                    2,
                    "fault "
                        + fault.name()
                        + " "
                        + fault.element().map(Object::toString).orElse("")));
    operation
        .links()
        .forEach(
            link ->
                line(
                    2,
                    "leads to "
                        + link.target()
                        + " with "
                        + new TreeMap<>(link.parameters())
                        + link.body().map(body -> " and " + body).orElse("")));
  }

  private void rest(OperationWire.Rest rest) {
    line(
        2,
        "at "
            + rest.endpoint()
            + " "
            + rest.method()
            + " "
            + rest.path()
            + rest.body().map(body -> " sends " + body.mediaType()).orElse(""));
    rest.answers()
        .forEach(
            answer ->
                line(
                    3,
                    answer.status()
                        + answer.content().map(content -> " " + content.mediaType()).orElse("")));
  }

  private static String addressing(OperationWire wire) {
    return wire instanceof OperationWire.Soap soap
        ? soap.addressing().map(action -> " addressing=" + action).orElse("")
        : "";
  }

  private void fields(int indent, ShapeId id) {
    if (!open.add(id)) {
      line(indent, "(again)");
      return;
    }
    List<Field> fields = service.shapes().fieldsOf(id);
    for (Field field : fields) {
      Shape shape = service.shapes().get(field.shape());
      line(
          indent,
          field.name()
              + occurrence(field.occurrence())
              + (field.nillable() ? " nillable" : "")
              + " "
              + kind(shape)
              + hints(field)
              + (isPlain(field) ? "" : " on the wire " + wire(field)));
      fields(indent + 1, field.shape());
    }
    open.remove(id);
  }

  private static String hints(Field field) {
    return field.hints().label().map(label -> " '" + label + "'").orElse("")
        + field.hints().unit().map(unit -> " in " + unit).orElse("")
        + (field.hints().key() ? " key" : "")
        + (field.hints().direction() == Hints.Direction.BOTH
            ? ""
            : " " + field.hints().direction());
  }

  private static boolean isPlain(Field field) {
    return field.wire().label().equals(field.name())
        && !(field.wire() instanceof Wire.Parameter parameter
            && parameter.in() != Wire.In.BY_ENDPOINT);
  }

  private static String wire(Field field) {
    return field.wire() instanceof Wire.Parameter parameter
        ? parameter.in() + " " + parameter.style() + (parameter.explode() ? " each" : "")
        : field.wire().getClass().getSimpleName() + " " + field.wire().label();
  }

  private static String kind(Shape shape) {
    return switch (shape) {
      case Shape.Scalar scalar ->
          scalar.builtIn()
              + (scalar.facets().enumeration().isEmpty()
                  ? ""
                  : " " + scalar.facets().enumeration());
      case Shape.Record record -> "record";
      case Shape.OneOf oneOf -> "one of";
      case Shape.Repeated repeated -> "repeated";
      case Shape.Open any -> "open";
    };
  }

  private static String occurrence(Occurrence occurrence) {
    if (occurrence.equals(Occurrence.ONE)) {
      return "";
    }
    String most = occurrence.max() == Occurrence.UNBOUNDED ? "*" : "" + occurrence.max();
    return "{" + occurrence.min() + ".." + most + "}";
  }

  private void line(int indent, String words) {
    text.append("  ".repeat(indent)).append(words.stripTrailing()).append('\n');
  }
}
