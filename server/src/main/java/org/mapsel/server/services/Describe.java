package org.mapsel.server.services;

import java.util.List;
import java.util.Locale;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.KeyedGroups;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.Value;
import org.mapsel.server.services.ServiceViews.EndpointView;
import org.mapsel.server.services.ServiceViews.FieldBrief;
import org.mapsel.server.services.ServiceViews.FieldView;
import org.mapsel.server.services.ServiceViews.OperationBrief;

/** Services of the core in the words of the API. */
final class Describe {

  private Describe() {}

  static List<EndpointView> endpoints(Service service) {
    return service.endpoints().stream().map(Describe::endpoint).toList();
  }

  private static EndpointView endpoint(Endpoint endpoint) {
    return new EndpointView(endpoint.id().text(), endpoint.protocol().label(), endpoint.address());
  }

  static List<OperationBrief> operations(Service service, List<OperationId> ids) {
    return ids.stream()
        .flatMap(id -> service.findOperation(id).stream())
        .map(operation -> brief(service, operation))
        .toList();
  }

  static OperationBrief brief(Service service, Operation operation) {
    return new OperationBrief(
        operation.id().text(),
        operation.name(),
        effect(operation),
        operation.documentation(),
        briefs(service, operation.input()),
        briefs(service, operation.output()),
        operation.wires().stream().map(wire -> wire.endpoint().text()).toList());
  }

  static String effect(Operation operation) {
    return operation.effect().name().toLowerCase(Locale.ROOT);
  }

  private static List<FieldBrief> briefs(Service service, ShapeId shape) {
    return service.shapes().fieldsOf(shape).stream()
        .map(field -> new FieldBrief(field.name(), field.isRequired(), field.isRepeated()))
        .toList();
  }

  static List<FieldView> fields(Shapes shapes, ShapeId root) {
    return views(FieldTree.rows(shapes, root, FieldTree.Limit.SCREEN));
  }

  /** The fields with those that only a sample tells of. */
  static List<FieldView> fields(Shapes shapes, ShapeId root, Value sample) {
    return views(
        KeyedGroups.with(FieldTree.rows(shapes, root, FieldTree.Limit.SCREEN), shapes, sample));
  }

  private static List<FieldView> views(List<FieldTree.Row> rows) {
    return rows.stream().map(Describe::field).toList();
  }

  private static FieldView field(FieldTree.Row row) {
    return new FieldView(
        row.path().steps(),
        row.field().name(),
        kind(row.shape()),
        type(row.shape()),
        // What has a value of its own need not be filled.
        row.needed() && row.field().assumed().isEmpty(),
        row.field().isRepeated(),
        row.field().nillable(),
        row.field().documentation(),
        row.shape() instanceof Shape.Scalar scalar ? scalar.facets().enumeration() : List.of(),
        row.field().wire().label(),
        row.rows().steps(),
        row.recursive(),
        row.more(),
        row.field().fixed().orElse(null),
        row.field().hints().given());
  }

  private static String kind(Shape shape) {
    return switch (shape) {
      case Shape.Scalar scalar -> "scalar";
      case Shape.Record record -> "record";
      case Shape.OneOf oneOf -> "oneOf";
      case Shape.Open open -> "open";
      case Shape.Repeated repeated -> "repeated";
    };
  }

  private static String type(Shape shape) {
    return switch (shape) {
      case Shape.Scalar scalar ->
          scalar.facets().enumeration().isEmpty() ? type(scalar.type()) : "choice";
      case Shape.Record record -> "";
      case Shape.OneOf oneOf -> "one of";
      case Shape.Open open -> "anything";
      case Shape.Repeated repeated -> "";
    };
  }

  private static String type(ScalarType type) {
    return switch (type) {
      case TEXT -> "text";
      case BOOLEAN -> "yes/no";
      case INTEGER, DECIMAL, FLOAT -> "number";
      case DATE -> "date";
      case TIME -> "time";
      case DATE_TIME -> "date-time";
      case DURATION -> "duration";
      case PARTIAL_DATE -> "part of a date";
      case BASE64 -> "binary";
      case HEX -> "hexadecimal";
      case URI -> "address";
      case NAME -> "name";
      case LIST -> "list of words";
    };
  }
}
