package org.mapsel.cli;

import java.io.PrintStream;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Catalogue;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Found;
import org.mapsel.core.read.catalogue.CatalogueEntry;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Fault;
import org.mapsel.core.service.Link;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.util.DefaultPrettyPrinter;

/** A description as JSON, in the form of docs/formats/description.schema.json. */
final class DescriptionJson {

  private static final int MAX_ROWS = 200_000;
  private static final JsonFactory FACTORY =
      JsonFactory.builder().disable(StreamWriteFeature.AUTO_CLOSE_TARGET).build();

  private final JsonGenerator out;
  private final DescribeCommand.View view;

  private DescriptionJson(JsonGenerator out, DescribeCommand.View view) {
    this.out = out;
    this.view = view;
  }

  static void print(
      PrintStream to,
      String source,
      Outcome<Found> read,
      DescribeCommand.View view,
      boolean indented) {
    try (JsonGenerator out = FACTORY.createGenerator(context(indented), to)) {
      new DescriptionJson(out, view).source(source, read);
    }
    to.println();
  }

  private static ObjectWriteContext context(boolean indented) {
    return new ObjectWriteContext.Base() {
      @Override
      public tools.jackson.core.PrettyPrinter getPrettyPrinter() {
        return indented ? new DefaultPrettyPrinter() : null;
      }

      @Override
      public boolean hasPrettyPrinter() {
        return indented;
      }
    };
  }

  private void source(String source, Outcome<Found> read) {
    out.writeStartObject();
    out.writeStringProperty("source", source);
    read.value().ifPresent(this::found);
    out.writeArrayPropertyStart("findings");
    read.findings().forEach(this::finding);
    out.writeEndArray();
    out.writeEndObject();
  }

  private void found(Found found) {
    switch (found) {
      case Description description -> description(description);
      case Catalogue catalogue -> {
        out.writeArrayPropertyStart("entries");
        catalogue.entries().forEach(this::entry);
        out.writeEndArray();
      }
    }
  }

  private void entry(CatalogueEntry entry) {
    out.writeStartObject();
    out.writeStringProperty("name", entry.name());
    out.writeStringProperty("address", entry.address());
    out.writeStringProperty("documentation", entry.documentation());
    out.writeEndObject();
  }

  private void description(Description description) {
    Service service = description.service();
    out.writeStringProperty("format", description.format().name());
    out.writeStringProperty("version", description.format().version());
    out.writeStringProperty("name", service.name());
    out.writeStringProperty("documentation", service.documentation());
    out.writeArrayPropertyStart("endpoints");
    service.endpoints().forEach(this::endpoint);
    out.writeEndArray();
    out.writeArrayPropertyStart("operations");
    service.operations().stream()
        .filter(this::isAsked)
        .forEach(operation -> operation(service.shapes(), operation));
    out.writeEndArray();
    service.entities().ifPresent(model -> new EntityJson(out).write(model));
  }

  private boolean isAsked(Operation operation) {
    return view.operation().isEmpty()
        || view.operation().get().equals(operation.id().text())
        || view.operation().get().equals(operation.name());
  }

  private void endpoint(Endpoint endpoint) {
    out.writeStartObject();
    out.writeStringProperty("id", endpoint.id().text());
    out.writeStringProperty("protocol", endpoint.protocol().label());
    out.writeStringProperty("address", endpoint.address());
    out.writeEndObject();
  }

  private void operation(Shapes shapes, Operation operation) {
    Optional<OperationWire> wire = operation.wires().stream().findFirst();
    out.writeStartObject();
    out.writeStringProperty("id", operation.id().text());
    out.writeStringProperty("name", operation.name());
    out.writeStringProperty("effect", operation.effect().name().toLowerCase(Locale.ROOT));
    out.writeStringProperty("documentation", operation.documentation());
    out.writeArrayPropertyStart("endpoints");
    operation.wires().forEach(each -> out.writeString(each.endpoint().text()));
    out.writeEndArray();
    out.writeStringProperty("style", wire.map(OperationWire::styleLabel).orElse(""));
    out.writeStringProperty("action", wire.map(OperationWire::action).orElse(""));
    if (wire.isPresent() && wire.get() instanceof OperationWire.Rest rest) {
      path(shapes, operation, rest.method(), rest.path());
      names("requestTypes", rest.offered());
    }
    if (wire.isPresent() && wire.get() instanceof OperationWire.Entities entities) {
      path(shapes, operation, entities.method(), entities.path());
    }
    if (view.fields()) {
      side(shapes, "input", operation.input(), operation.requestElement());
      side(shapes, "output", operation.output(), operation.responseElement());
    }
    out.writeArrayPropertyStart("faults");
    operation.faults().forEach(fault -> fault(shapes, fault));
    out.writeEndArray();
    if (!operation.links().isEmpty()) {
      out.writeArrayPropertyStart("links");
      operation.links().forEach(this::link);
      out.writeEndArray();
    }
    out.writeEndObject();
  }

  private void path(Shapes shapes, Operation operation, String method, String path) {
    out.writeStringProperty("method", method);
    out.writeStringProperty("pathTemplate", path);
    out.writeArrayPropertyStart("parameters");
    for (Field field : shapes.fieldsOf(operation.input())) {
      if (field.wire() instanceof Wire.Parameter parameter) {
        out.writeStartObject();
        out.writeStringProperty("name", parameter.name());
        out.writeStringProperty("in", place(parameter.in()));
        out.writeStringProperty("type", type(shapes.get(field.shape())));
        out.writeBooleanProperty("required", field.isRequired());
        out.writeBooleanProperty("repeats", field.isRepeated());
        out.writeEndObject();
      }
    }
    out.writeEndArray();
  }

  private void fault(Shapes shapes, Fault fault) {
    out.writeStartObject();
    out.writeStringProperty("name", fault.name());
    out.writeStringProperty("element", fault.element().map(Name::local).orElse(""));
    if (view.fields()) {
      side(shapes, "fields", fault.detail(), fault.element());
    }
    out.writeEndObject();
  }

  private void link(Link link) {
    out.writeStartObject();
    out.writeStringProperty("name", link.name());
    out.writeStringProperty("operation", link.target().text());
    out.writeObjectPropertyStart("parameters");
    new TreeMap<>(link.parameters()).forEach(out::writeStringProperty);
    out.writeEndObject();
    link.body().ifPresent(body -> out.writeStringProperty("body", body));
    out.writeEndObject();
  }

  /** The element around the fields has a row of its own, with an empty path. */
  private void side(Shapes shapes, String name, ShapeId root, Optional<Name> element) {
    out.writeArrayPropertyStart(name);
    List<String> start = element.map(around -> List.of(around.local())).orElse(List.of());
    if (element.isPresent()) {
      out.writeStartObject();
      names("path", List.of());
      names("wire", start);
      out.writeStringProperty("in", "body");
      out.writeStringProperty("type", type(shapes.get(root)));
      flags(true, false, false, false);
      out.writeEndObject();
    }
    FieldTree.Limit limit =
        new FieldTree.Limit(view.depth(), MAX_ROWS, view.variants(), Hints.Direction.BOTH);
    String place = "body";
    for (FieldTree.Row row : FieldTree.rows(shapes, root, start, limit)) {
      place = row.path().length() == 1 ? place(row.field().wire()) : place;
      row(row, place);
    }
    out.writeEndArray();
  }

  private void row(FieldTree.Row row, String place) {
    out.writeStartObject();
    names("path", row.path().steps().stream().map(Object::toString).toList());
    names("wire", row.wire());
    out.writeStringProperty("in", place);
    out.writeStringProperty(
        "type", row.field().wire() instanceof Wire.XmlAny ? "any" : type(row.shape()));
    if (row.shape() instanceof Shape.Scalar scalar && !scalar.facets().enumeration().isEmpty()) {
      names("allowed", scalar.facets().enumeration());
    }
    flags(row.field().isRequired(), row.repeats(), row.recursive(), row.more());
    out.writeEndObject();
  }

  private void flags(boolean required, boolean repeats, boolean recursive, boolean more) {
    out.writeBooleanProperty("required", required);
    out.writeBooleanProperty("repeats", repeats);
    out.writeBooleanProperty("recursive", recursive);
    out.writeBooleanProperty("more", more);
  }

  private void names(String property, List<String> names) {
    out.writeArrayPropertyStart(property);
    names.forEach(out::writeString);
    out.writeEndArray();
  }

  private static String place(Wire wire) {
    return switch (wire) {
      case Wire.SoapHeader header -> "header";
      case Wire.Attachment attachment -> "attachment";
      case Wire.Parameter parameter -> place(parameter.in());
      default -> "body";
    };
  }

  private static String place(Wire.In in) {
    return switch (in) {
      case PATH -> "path";
      case QUERY -> "query";
      case QUERY_STRING -> "querystring";
      case HEADER -> "header";
      case COOKIE -> "cookie";
      case BY_ENDPOINT -> "parameter";
    };
  }

  static String type(Shape shape) {
    return switch (shape) {
      case Shape.Scalar scalar -> scalar.builtIn();
      case Shape.Record record -> "record";
      case Shape.OneOf oneOf -> "one-of";
      case Shape.Repeated repeated -> "repeated";
      case Shape.Open open -> open.id().namespace().isEmpty() ? "any" : "xs:anyType";
    };
  }

  private void finding(Finding finding) {
    out.writeStartObject();
    out.writeStringProperty("severity", finding.severity().name().toLowerCase(Locale.ROOT));
    out.writeStringProperty("code", finding.code());
    out.writeStringProperty("message", FindingText.message(finding));
    out.writeStringProperty("advice", FindingText.advice(finding));
    if (!finding.places().isEmpty()) {
      out.writeStringProperty("document", finding.places().get(0).document());
      out.writeNumberProperty("line", finding.places().get(0).line());
      out.writeNumberProperty("column", finding.places().get(0).column());
    }
    out.writeEndObject();
  }
}
