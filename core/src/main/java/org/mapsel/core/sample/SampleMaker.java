package org.mapsel.core.sample;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Demand;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Makes a value of a shape: the same one every time, within its facets, and of bounded size. */
public final class SampleMaker {

  /** How much is put into a made value. */
  public enum Extent {
    /** Only what must be there. */
    REQUIRED,
    /** Optional fields too, and a few items of what repeats. */
    EVERYTHING
  }

  private static final int MAX_DEPTH = 12;
  private static final int MAX_FIELDS = 20_000;

  /** What must be there is made when optional fields have long used up their share. */
  private static final int MAX_REQUIRED = 10 * MAX_FIELDS;

  private static final int ITEMS = 3;

  private final Shapes shapes;
  private final Extent extent;
  private final int items;
  private final Set<ShapeId> open = new HashSet<>();
  private int fields;

  /** Lists inside lists are short however long the outermost is wished to be. */
  private boolean inList;

  private int ids;

  /** Whether a value that the description gives as an example is taken as it stands. */
  private boolean examples = true;

  private SampleMaker(Shapes shapes, Extent extent, int items) {
    this.shapes = shapes;
    this.extent = extent;
    this.items = items;
  }

  /** A record of the given shape. */
  public static RecordValue make(Shapes shapes, ShapeId root, Extent extent) {
    return make(shapes, root, extent, ITEMS);
  }

  /**
   * A record of the given shape.
   *
   * @param items how many items lists have that are in no other list, as far as their limits allow
   */
  public static RecordValue make(Shapes shapes, ShapeId root, Extent extent, int items) {
    Value made = new SampleMaker(shapes, extent, items).value(shapes.get(root), "", 0);
    return made instanceof RecordValue record ? record : RecordValue.empty();
  }

  /**
   * A record like those of a list, in which nothing is what the description gives as an example.
   *
   * @param item which of the list's
   */
  public static RecordValue unlikeExamples(Shapes shapes, ShapeId root, int item) {
    SampleMaker maker = new SampleMaker(shapes, Extent.EVERYTHING, ITEMS);
    maker.examples = false;
    return maker.value(shapes.get(root), "", item) instanceof RecordValue record
        ? record
        : RecordValue.empty();
  }

  private Value value(Shape shape, String name, int item) {
    return switch (shape) {
      case Shape.Scalar scalar -> scalar(scalar, name, item);
      case Shape.Record record -> record(record, item);
      case Shape.OneOf oneOf -> oneOf(oneOf, item);
      case Shape.Repeated repeated -> ListValue.of(value(shapes.get(repeated.item()), name, item));
      case Shape.Open any -> any.object() ? RecordValue.empty() : Value.text(name);
    };
  }

  private Value scalar(Shape.Scalar scalar, String name, int item) {
    return switch (scalar.builtIn()) {
      // No two of these in a message may be the same.
      case "xs:ID" -> Value.text("id" + ++ids);
      case "null" -> Value.NULL;
      default -> ScalarSamples.value(scalar, name, item);
    };
  }

  /** Absent if something that must be in it cannot be made: it would have to contain itself. */
  private Value record(Shape.Record record, int item) {
    open.add(record.id());
    Map<String, Value> values = new LinkedHashMap<>();
    boolean possible = true;
    for (Field field : demanded(record)) {
      Value value = field(field, item);
      if (!value.isAbsent()) {
        values.put(field.name(), value);
      }
      possible &= !value.isAbsent() || !field.isRequired();
    }
    open.remove(record.id());
    return possible ? RecordValue.of(values) : Value.ABSENT;
  }

  /** The fields as the first alternative that is demanded of them wants them. */
  private static List<Field> demanded(Shape.Record record) {
    if (record.demand().isEmpty()) {
      return record.fields();
    }
    Demand demand = record.demand().get();
    Set<String> first = demand.alternatives().getFirst();
    return record.fields().stream()
        .filter(
            field ->
                field.isRequired()
                    || first.contains(field.wire().label())
                    || !demand.exclusive()
                    || demand.alternatives().stream()
                        .noneMatch(wanted -> wanted.contains(field.wire().label())))
        .map(
            field ->
                first.contains(field.wire().label()) && !field.isRequired()
                    ? field.occurring(field.occurrence().atLeastOnce())
                    : field)
        .toList();
  }

  /** The first alternative that leads to an end. */
  private Value oneOf(Shape.OneOf oneOf, int item) {
    open.add(oneOf.id());
    Value made = Value.ABSENT;
    for (Field alternative : oneOf.alternatives()) {
      if (made.isAbsent() && !open.contains(alternative.shape())) {
        Field chosen =
            alternative.isRequired() ? alternative : alternative.occurring(Occurrence.ONE);
        Value value = field(chosen, item);
        made = value.isAbsent() ? made : RecordValue.of(Map.of(alternative.name(), value));
      }
    }
    open.remove(oneOf.id());
    return made;
  }

  private Value field(Field field, int item) {
    boolean wanted =
        field.isRequired()
            || extent == Extent.EVERYTHING
                && !open.contains(field.shape())
                && open.size() < MAX_DEPTH
                && !(field.wire() instanceof Wire.XmlAny)
                && !(field.wire() instanceof Wire.Attachment)
                && !isQuestion(field.wire())
                && !(shapes.get(field.shape()) instanceof Shape.Open)
                && !areOfAnyType(field)
                && !isDerivation(shapes.get(field.shape()));
    if (!wanted || fields++ > (field.isRequired() ? MAX_REQUIRED : MAX_FIELDS)) {
      return Value.ABSENT;
    }
    if (open.contains(field.shape())) {
      // A type that must contain itself has no finite value; null or nothing is all there is.
      return field.nillable() ? Value.NULL : Value.ABSENT;
    }
    Shape shape = shapes.get(field.shape());
    if (!field.isRepeated()) {
      return given(field, shape, item);
    }
    int least = Math.max(field.occurrence().min(), field.occurrence().least());
    if (extent == Extent.EVERYTHING && items == 0 && !field.isRequired() && least > 0) {
      // A list that may not be empty is not there at all.
      return Value.ABSENT;
    }
    int count =
        extent == Extent.REQUIRED
            ? Math.max(1, least)
            : Math.max(least, Math.min(inList ? ITEMS : items, field.occurrence().max()));
    if (count == 0) {
      return new ListValue(List.of());
    }
    Value[] made = new Value[Math.min(count, MAX_FIELDS)];
    boolean outer = inList;
    inList = true;
    Set<Value> before = new HashSet<>();
    for (int i = 0; i < made.length; i++) {
      made[i] = given(field, shape, item + i);
      if (field.occurrence().distinct() && !before.add(made[i])) {
        made[i] = unlikeExample(field, shape, item + i);
      }
    }
    inList = outer;
    Stream<Value> present = Stream.of(made).filter(value -> !value.isAbsent());
    List<Value> there = (field.occurrence().distinct() ? present.distinct() : present).toList();
    return there.isEmpty() ? Value.ABSENT : new ListValue(there);
  }

  private Value unlikeExample(Field field, Shape shape, int item) {
    boolean outer = examples;
    examples = false;
    Value made = given(field, shape, item);
    examples = outer;
    return made;
  }

  /** What narrows or orders an answer has no typical value, and a wrong one hides everything. */
  private static boolean isQuestion(Wire wire) {
    return wire instanceof Wire.Parameter parameter
        && (parameter.name().startsWith("$") || parameter.name().equals("If-Match"));
  }

  /** Every value may be of the type that was declared, so nothing else is made unless it must. */
  private static boolean isDerivation(Shape shape) {
    return shape instanceof Shape.OneOf oneOf && oneOf.reason() == Shape.OneOf.Reason.DERIVATION;
  }

  /** Nothing is known of members with names of their own that may be anything. */
  private boolean areOfAnyType(Field field) {
    return field.wire() instanceof Wire.Entries
        && shapes.fieldsOf(field.shape()).stream()
            .anyMatch(inside -> shapes.get(inside.shape()) instanceof Shape.Open);
  }

  private Value given(Field field, Shape shape, int item) {
    if (field.wire() instanceof Wire.XmlAny any) {
      Name name = any.example();
      String text = ScalarText.print(value(shapes.get(any.shape()), name.local(), item));
      return Value.text(
          "<"
              + name.local()
              + " xmlns=\""
              + name.namespace()
              + "\">"
              + text.replace("&", "&amp;").replace("<", "&lt;")
              + "</"
              + name.local()
              + ">");
    }
    if (field.wire() instanceof Wire.EntryName) {
      return Value.text(field.name() + (item + 1));
    }
    if (shape instanceof Shape.Scalar scalar) {
      Optional<String> said =
          examples
              ? field.fixed().or(field::preset).or(() -> field.hints().example())
              : field.fixed();
      if (said.isPresent() && fits(scalar, said.get())) {
        return ScalarSamples.said(scalar, said.get());
      }
    }
    return value(shape, field.name(), item);
  }

  /** Descriptions give examples that their own types do not let in. */
  private static boolean fits(Shape.Scalar scalar, String text) {
    List<String> allowed = scalar.facets().enumeration();
    return ScalarText.parse(scalar.type(), text).isPresent()
        && (allowed.isEmpty() || allowed.contains(text));
  }
}
