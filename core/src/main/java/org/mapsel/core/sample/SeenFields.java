package org.mapsel.core.sample;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarGuess;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/**
 * What a description leaves open has the fields that an answer had in its place: rows whose schema
 * comes inside the message, members that nobody declared. They are read as before; only who builds
 * a page sees more.
 */
public final class SeenFields {

  /** Below it stand data sets, in them tables, in them rows, even if there is just one. */
  private static final String DIFFGRAM = "diffgram";

  /** The schema that comes before a diffgram says nothing that the rows do not. */
  private static final String SCHEMA = "schema";

  private static final int ROWS_IN_DIFFGRAM = 2;

  private final Shapes shapes;
  private final Map<ShapeId, Shape> made = new HashMap<>();

  private SeenFields(Shapes shapes) {
    this.shapes = shapes;
  }

  /**
   * A service in which an operation returns the fields that were seen.
   *
   * @param answer of that operation, as it was read; absent if there was none
   * @return the very same service if nothing of what was seen is new
   */
  public static Service in(Service service, Operation operation, Value answer) {
    SeenFields seen = new SeenFields(service.shapes());
    ShapeId output =
        seen.widened(
            operation.output(), spread(answer), new ShapeId("", "/seen/" + operation.id().text()));
    if (output.equals(operation.output())) {
      return service;
    }
    return new Service(
        service.name(),
        service.documentation(),
        service.endpoints(),
        service.operations().with(operation.returning(output)),
        service.shapes().with(seen.made),
        service.entities());
  }

  /** What says of a shape whether answers may tell more of it. */
  private record Openness(boolean open) {}

  /** Whether answers of an operation may tell more than its description. */
  public static boolean mayTell(Service service, Operation operation) {
    Shapes shapes = service.shapes();
    return shapes
        .remembered(Openness.class, operation.output(), id -> new Openness(leadsToOpen(shapes, id)))
        .open();
  }

  private static boolean leadsToOpen(Shapes shapes, ShapeId root) {
    Set<ShapeId> seen = new HashSet<>(Set.of(root));
    Deque<ShapeId> open = new ArrayDeque<>(seen);
    while (!open.isEmpty()) {
      ShapeId id = open.poll();
      if (shapes.get(id) instanceof Shape.Open) {
        return true;
      }
      for (Field field : shapes.fieldsOf(id)) {
        if (seen.add(field.shape())) {
          open.add(field.shape());
        }
      }
    }
    return false;
  }

  /** The shape with what the values tell of its open parts; itself if they tell nothing. */
  private ShapeId widened(ShapeId id, List<Value> values, ShapeId own) {
    if (values.isEmpty()) {
      return id;
    }
    return switch (shapes.get(id)) {
      case Shape.Open open -> seen(id, values, own, -1);
      case Shape.Record record -> {
        List<Field> fields = widened(record.fields(), values, own);
        yield fields.equals(record.fields())
            ? id
            : keep(new Shape.Record(own, fields, record.ordered()));
      }
      case Shape.OneOf oneOf -> {
        List<Field> fields = widened(oneOf.alternatives(), values, own);
        yield fields.equals(oneOf.alternatives())
            ? id
            : keep(new Shape.OneOf(own, fields, oneOf.reason(), oneOf.declared()));
      }
      case Shape.Repeated repeated -> {
        ShapeId item = widened(repeated.item(), values, own.inner("item"));
        yield item.equals(repeated.item()) ? id : keep(new Shape.Repeated(own, item));
      }
      case Shape.Scalar scalar -> id;
    };
  }

  private List<Field> widened(List<Field> fields, List<Value> values, ShapeId own) {
    return fields.stream()
        .map(field -> isSchema(field) ? field : widened(field, values, own))
        .toList();
  }

  private Field widened(Field field, List<Value> values, ShapeId own) {
    List<Value> inside = below(values, field.name());
    Field wider = field.of(widened(field.shape(), inside, own.inner(field.name())));
    boolean list =
        shapes.get(field.shape()) instanceof Shape.Open
            && values.stream()
                .anyMatch(
                    value ->
                        value instanceof RecordValue record
                            && record.get(field.name()) instanceof ListValue);
    return list ? wider.occurring(Occurrence.ANY) : wider;
  }

  private static boolean isSchema(Field field) {
    return field.wire() instanceof Wire.XmlElement element
        && element.name().local().equals(SCHEMA)
        && element.name().namespace().startsWith("http://www.w3.org/");
  }

  private ShapeId keep(Shape shape) {
    made.put(shape.id(), shape);
    return shape.id();
  }

  /**
   * What open values are.
   *
   * @param toRows how many levels there are to rows; negative outside of diffgrams
   */
  private ShapeId seen(ShapeId open, List<Value> values, ShapeId own, int toRows) {
    Map<String, List<Value>> members = new LinkedHashMap<>();
    Map<String, Boolean> repeats = new HashMap<>();
    for (Value value : values) {
      if (value instanceof RecordValue record) {
        record
            .toMap()
            .forEach(
                (name, member) -> {
                  members.computeIfAbsent(name, key -> new ArrayList<>()).addAll(spread(member));
                  repeats.merge(name, member instanceof ListValue, Boolean::logicalOr);
                });
      }
    }
    if (members.isEmpty()) {
      return scalar(open, values, own);
    }
    if (members.containsKey(DIFFGRAM)) {
      members.remove(SCHEMA);
    }
    List<Field> fields = new ArrayList<>();
    members.forEach(
        (name, inside) -> {
          boolean rows = toRows == 1 && inside.stream().anyMatch(RecordValue.class::isInstance);
          int left = name.equals(DIFFGRAM) ? ROWS_IN_DIFFGRAM : toRows - 1;
          fields.add(
              Field.of(
                  name,
                  seen(open, inside, own.inner(name), left),
                  rows || repeats.get(name) ? Occurrence.ANY : Occurrence.OPTIONAL,
                  new Wire.XmlElement(Name.of("", name))));
        });
    return keep(new Shape.Record(own, fields, false));
  }

  private ShapeId scalar(ShapeId open, List<Value> values, ShapeId own) {
    return values.stream()
        .map(SeenFields::type)
        .filter(Objects::nonNull)
        .reduce(ScalarGuess::both)
        .map(type -> keep(new Shape.Scalar(own, type, "", Facets.NONE)))
        .orElse(open);
  }

  /** Null for what says nothing of a type. */
  private static @Nullable ScalarType type(Value value) {
    return switch (value) {
      case TextValue text -> text.text().isBlank() ? null : ScalarGuess.of(text.text());
      case NumberValue number ->
          number.number().scale() <= 0 ? ScalarType.INTEGER : ScalarType.DECIMAL;
      case BooleanValue yes -> ScalarType.BOOLEAN;
      case TimeValue time -> ScalarGuess.of(time.iso());
      default -> null;
    };
  }

  private static List<Value> below(List<Value> values, String name) {
    return values.stream()
        .filter(RecordValue.class::isInstance)
        .flatMap(record -> spread(((RecordValue) record).get(name)).stream())
        .toList();
  }

  private static List<Value> spread(Value value) {
    return switch (value) {
      case ListValue list -> list.items();
      case RecordValue record -> List.of(record);
      default -> value.isAbsent() ? List.of() : List.of(value);
    };
  }
}
