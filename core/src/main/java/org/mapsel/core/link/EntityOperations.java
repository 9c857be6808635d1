package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
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
import org.mapsel.core.service.OperationList;
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

  /** So much can be done with most sets. */
  private static final int USUAL_OFFERS = 6;

  final EntityModel model;
  final boolean old;
  final EntityTypes types;
  final DataShapes shapes;

  private final QueryFields queries;
  private final List<OperationId> ids = new ArrayList<>();
  private final List<Supplier<Offer>> offers = new ArrayList<>();
  private final Set<String> taken;

  EntityOperations(EntityModel model, boolean old) {
    this.model = model;
    this.taken = HashSet.newHashSet(USUAL_OFFERS * model.sets().size());
    this.old = old;
    this.types = new EntityTypes(model, old);
    this.shapes = new DataShapes(new DataTypes(types::find, EntityTypes::idOf));
    this.queries = new QueryFields(shapes, types, old);
  }

  QueryFields queries() {
    return queries;
  }

  /** Each of them is put together when somebody asks for it. */
  OperationList finish() {
    return OperationList.made(ids, place -> operation(ids.get(place), offers.get(place)));
  }

  /**
   * What can be done with entities.
   *
   * @param type of what comes back
   */
  record Offer(
      String name,
      String documentation,
      String method,
      String path,
      Result result,
      String type,
      Parameters parameters) {}

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

  private ShapeId nothing(ShapeId own) {
    return shapes.later(own.inner("output"), id -> new Shape.Record(id, List.of(), false));
  }

  private ShapeId entity(String type) {
    return types.type(type).form() instanceof DataType.Ref ref
        ? shapes.declared(ref.target(), Notation.JSON)
        : DataShapes.OPEN;
  }

  /** The shape of bytes of any kind. */
  ShapeId bytes() {
    return shapes.plain(new Simple(ScalarType.BASE64, "binary", Facets.NONE));
  }

  /** A file as an answer of its own. */
  private ShapeId file(ShapeId own) {
    Field file = Field.of(DataShapes.VALUE, bytes(), Occurrence.ONE, new Wire.Whole());
    return shapes.later(own.inner("output"), id -> new Shape.Record(id, List.of(file), false));
  }

  private ShapeId value(DataType type, ShapeId own) {
    return shapes.later(
        own.inner("output"),
        id -> {
          Wire wire = new Wire.Member("value");
          Field value = shapes.field(DataShapes.VALUE, type, true, id, wire, Notation.JSON);
          return new Shape.Record(id, List.of(value), false);
        });
  }

  private ShapeId rows(ShapeId own, String type) {
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

  /** Offers something under an id like the one that is wished for. */
  void add(String wished, Supplier<Offer> offer) {
    String id = wished;
    for (int i = 2; !taken.add(id); i++) {
      id = wished + i;
    }
    ids.add(new OperationId(id));
    offers.add(offer);
  }

  private Operation operation(OperationId id, Supplier<Offer> later) {
    // Shapes are made by many threads too, one at a time.
    synchronized (shapes) {
      Offer offer = later.get();
      ShapeId own = new ShapeId("", "/" + id);
      ShapeId input =
          shapes.later(
              own.inner("input"),
              shape -> {
                FieldList fields = new FieldList();
                offer.parameters().addTo(fields, own);
                return new Shape.Record(shape, fields.toList(), false);
              });
      return new Operation(
          id,
          offer.name(),
          offer.method().equals("GET") ? Effect.READS : Effect.WRITES,
          offer.documentation(),
          new Operation.Messages(
              input,
              output(offer, own),
              Optional.empty(),
              Optional.empty(),
              List.of(),
              List.of(
                  new OperationWire.Entities(
                      ENDPOINT,
                      old,
                      offer.method(),
                      offer.path(),
                      offer.result(),
                      EntityModel.itemType(offer.type())))));
    }
  }

  private ShapeId output(Offer offer, ShapeId own) {
    return switch (offer.result()) {
      case FILE -> file(own);
      case NOTHING -> nothing(own);
      case ROWS -> rows(own, EntityModel.itemType(offer.type()));
      case ONE -> entity(offer.type());
      case VALUE -> value(types.type(offer.type()), own);
    };
  }
}
