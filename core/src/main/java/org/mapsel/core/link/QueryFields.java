package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.EntityModel.Capabilities;
import org.mapsel.core.service.EntityModel.Navigation;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.EntityQuery;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/**
 * What may be asked of a list of entities, as typed parameters (OData 4.01 URL conventions, 5.1).
 */
final class QueryFields {

  private final DataShapes shapes;
  private final EntityTypes types;
  private final boolean old;
  private final Map<Asked, List<Field>> lists = new HashMap<>();
  private final Map<String, List<Field>> ones = new HashMap<>();

  private record Asked(String type, Capabilities can) {}

  QueryFields(DataShapes shapes, EntityTypes types, boolean old) {
    this.shapes = shapes;
    this.types = types;
    this.old = old;
  }

  /** The same for every list of a type that may be asked the same. */
  List<Field> ofList(String type, Capabilities can) {
    return lists.computeIfAbsent(new Asked(type, can), this::listFields);
  }

  private List<Field> listFields(Asked asked) {
    String type = asked.type();
    Capabilities can = asked.can();
    ShapeId own = own(type, "list");
    List<Field> fields = new ArrayList<>();
    List<String> names = types.simpleProperties(type).stream().map(Property::name).toList();
    List<String> filtered = without(names, can.notFiltered());
    List<String> sorted = without(names, can.notSorted());
    if (can.filter() && !filtered.isEmpty()) {
      fields.add(filter(filtered, own));
    }
    if (can.sort() && !sorted.isEmpty()) {
      fields.add(order(sorted, own));
    }
    if (can.top()) {
      fields.add(option("top", EntityQuery.TOP, scalar(ScalarType.INTEGER, "Edm.Int32"), false));
    }
    if (can.skip()) {
      fields.add(option("skip", EntityQuery.SKIP, scalar(ScalarType.INTEGER, "Edm.Int32"), false));
    }
    if (can.search() && !old) {
      fields.add(
          option("search", EntityQuery.SEARCH, scalar(ScalarType.TEXT, "Edm.String"), false));
    }
    if (can.count()) {
      fields.add(
          option("count", EntityQuery.COUNT, scalar(ScalarType.BOOLEAN, "Edm.Boolean"), false));
    }
    fields.addAll(ofOne(type));
    return fields;
  }

  /** What may be asked of a single entity too. */
  List<Field> ofOne(String type) {
    return ones.computeIfAbsent(type, this::oneFields);
  }

  private static ShapeId own(String type, String what) {
    return new ShapeId("", "/" + type.substring(type.lastIndexOf('.') + 1) + "/" + what);
  }

  private List<Field> oneFields(String type) {
    ShapeId own = own(type, "one");
    List<Field> fields = new ArrayList<>();
    List<String> properties = types.simpleProperties(type).stream().map(Property::name).toList();
    if (!properties.isEmpty()) {
      fields.add(option("select", EntityQuery.SELECT, oneOf(own, "select", properties), true));
    }
    List<String> ways = types.line(type).navigations().stream().map(Navigation::name).toList();
    if (!ways.isEmpty()) {
      fields.add(option("expand", EntityQuery.EXPAND, oneOf(own, "expand", ways), true));
    }
    return fields;
  }

  private static List<String> without(List<String> names, List<String> left) {
    return names.stream().filter(name -> !left.contains(name)).toList();
  }

  private Field filter(List<String> names, ShapeId own) {
    ShapeId id = shapes.reserve(own.inner("filter"));
    Field value =
        Field.of(
            EntityQuery.VALUE,
            scalar(ScalarType.TEXT, "Edm.String"),
            Occurrence.OPTIONAL,
            new Wire.Member(EntityQuery.VALUE));
    shapes.add(
        new Shape.Record(
            id,
            List.of(
                member(EntityQuery.FIELD, oneOf(id, EntityQuery.FIELD, names)),
                member(
                    EntityQuery.COMPARISON,
                    oneOf(id, EntityQuery.COMPARISON, EntityQuery.Comparison.labels())),
                value),
            false));
    return option("filter", EntityQuery.FILTER, id, true)
        .documented("Only rows for which all of these hold.");
  }

  private Field order(List<String> names, ShapeId own) {
    ShapeId id = shapes.reserve(own.inner("orderby"));
    Field descending =
        Field.of(
            EntityQuery.DESCENDING,
            scalar(ScalarType.BOOLEAN, "Edm.Boolean"),
            Occurrence.OPTIONAL,
            new Wire.Member(EntityQuery.DESCENDING));
    shapes.add(
        new Shape.Record(
            id,
            List.of(member(EntityQuery.FIELD, oneOf(id, EntityQuery.FIELD, names)), descending),
            false));
    return option("orderby", EntityQuery.ORDER, id, true);
  }

  private static Field member(String name, ShapeId shape) {
    return Field.of(name, shape, Occurrence.ONE, new Wire.Member(name));
  }

  private static Field option(String name, String onWire, ShapeId shape, boolean several) {
    return Field.of(
        name,
        shape,
        several ? Occurrence.ANY : Occurrence.OPTIONAL,
        new Wire.Parameter(onWire, Wire.In.QUERY, Wire.Style.FORM, false, false, Optional.empty()));
  }

  private ShapeId scalar(ScalarType type, String name) {
    ShapeId id = new ShapeId("", name);
    shapes.add(new Shape.Scalar(id, type, name, Facets.NONE));
    return id;
  }

  private ShapeId oneOf(ShapeId own, String name, List<String> allowed) {
    ShapeId id = shapes.reserve(own.inner(name));
    shapes.add(new Shape.Scalar(id, ScalarType.TEXT, "Edm.String", Facets.oneOf(allowed)));
    return id;
  }
}
