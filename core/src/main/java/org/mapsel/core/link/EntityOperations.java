package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.DataType.Simple;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.Place;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Effect;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.OperationWire.Entities.Result;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** Puts operations of entities together: what they take and what they give back. */
final class EntityOperations {

  static final EndpointId ENDPOINT = new EndpointId("main");

  final EntityModel model;
  final boolean old;
  final EntityTypes types;
  final DataShapes shapes;

  private final QueryFields queries;
  private final List<Operation> operations = new ArrayList<>();
  private final Set<String> ids = new HashSet<>();

  EntityOperations(EntityModel model, boolean old) {
    this.model = model;
    this.old = old;
    this.types = new EntityTypes(model, old);
    this.shapes = new DataShapes(new DataTypes(types::find));
    this.queries = new QueryFields(shapes, types, old);
  }

  QueryFields queries() {
    return queries;
  }

  List<Operation> all() {
    return operations;
  }

  /** The parameters of an operation, which are made when somebody asks for them. */
  interface Parameters {

    /**
     * @param own what stands before the names of their shapes
     */
    void addTo(FieldList fields, ShapeId own);
  }

  /** The path of one entity; each key stands in braces where its value goes. */
  static String keyed(String set, List<Property> keys) {
    String inside =
        keys.size() == 1
            ? "{" + keys.get(0).name() + "}"
            : keys.stream()
                .map(key -> key.name() + "={" + key.name() + "}")
                .collect(Collectors.joining(","));
    return "/" + set + "(" + inside + ")";
  }

  void addKeys(List<Property> keys, FieldList fields, ShapeId own) {
    for (Property key : keys) {
      fields.add(
          parameter(key.name(), key.name(), Wire.In.PATH, key.type(), true, own)
              .documented(key.documentation())
              .hinted(key.hints().travelling(Hints.Direction.BOTH)));
    }
  }

  Field parameter(
      String name, String onWire, Wire.In in, String type, boolean required, ShapeId own) {
    Wire wire = new Wire.Parameter(onWire, in, Wire.Style.SIMPLE, false, false, Optional.empty());
    return shapes.field(name, types.type(type), required, own, wire, Notation.JSON);
  }

  Field ifMatch(ShapeId own) {
    return parameter("ifMatch", "If-Match", Wire.In.HEADER, "Edm.String", false, own)
        .documented("What was read as etag; * changes it whatever its state is.");
  }

  /** What stands before the names of the shapes that an operation has for itself. */
  static ShapeId own(String operation) {
    return new ShapeId("", "/" + operation);
  }

  ShapeId nothing(ShapeId own) {
    return shapes.later(own.inner("output"), id -> new Shape.Record(id, List.of(), false));
  }

  ShapeId entity(String type) {
    return types.type(type).form() instanceof DataType.Ref ref
        ? shapes.declared(ref.target(), Notation.JSON)
        : DataShapes.OPEN;
  }

  /** The shape of bytes of any kind. */
  ShapeId bytes() {
    return shapes.plain(new Simple(ScalarType.BASE64, "binary", Facets.NONE));
  }

  /** A file as an answer of its own. */
  ShapeId file(ShapeId own) {
    Field file = Field.of(DataShapes.VALUE, bytes(), Occurrence.ONE, new Wire.Whole());
    return shapes.later(own.inner("output"), id -> new Shape.Record(id, List.of(file), false));
  }

  ShapeId value(DataType type, ShapeId own) {
    return shapes.later(
        own.inner("output"),
        id -> {
          Wire wire = new Wire.Member("value");
          Field value = shapes.field(DataShapes.VALUE, type, true, id, wire, Notation.JSON);
          return new Shape.Record(id, List.of(value), false);
        });
  }

  ShapeId rows(ShapeId own, String type) {
    return shapes.later(
        own.inner("output"), id -> new Shape.Record(id, rowFields(type, id), false));
  }

  private List<Field> rowFields(String type, ShapeId id) {
    DataType number =
        DataType.of(new Simple(ScalarType.INTEGER, "Edm.Int64", Facets.NONE), Place.in(""));
    DataType text =
        DataType.of(new Simple(ScalarType.TEXT, "Edm.String", Facets.NONE), Place.in(""));
    List<Field> fields = new ArrayList<>();
    fields.add(
        shapes.field(
            "count",
            number,
            false,
            id,
            new Wire.Member(old ? "__count" : "@odata.count"),
            Notation.JSON));
    fields.add(
        shapes
            .field(
                "next",
                text,
                false,
                id,
                new Wire.Member(old ? "__next" : "@odata.nextLink"),
                Notation.JSON)
            .hinted(Hints.NONE.asHidden()));
    DataType list =
        DataType.of(new DataType.ListOf(types.type(type), Occurrence.ANY), Place.in(""));
    fields.add(
        shapes.field(
            "rows", list, true, id, new Wire.Member(old ? "results" : "value"), Notation.JSON));
    return fields;
  }

  void add(
      String wished,
      String name,
      String documentation,
      String method,
      String path,
      Parameters parameters,
      ShapeId output,
      Result result,
      String type) {
    String id = wished;
    for (int i = 2; !ids.add(id); i++) {
      id = wished + i;
    }
    ShapeId own = own(id);
    ShapeId input =
        shapes.later(
            own.inner("input"),
            shape -> {
              FieldList fields = new FieldList();
              parameters.addTo(fields, own);
              return new Shape.Record(shape, fields.toList(), false);
            });
    operations.add(
        new Operation(
            new OperationId(id),
            name,
            method.equals("GET") ? Effect.READS : Effect.WRITES,
            documentation,
            input,
            output,
            Optional.empty(),
            Optional.empty(),
            List.of(),
            List.of(new OperationWire.Entities(ENDPOINT, old, method, path, result, type))));
  }
}
