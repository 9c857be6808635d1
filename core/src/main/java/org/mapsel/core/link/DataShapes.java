package org.mapsel.core.link;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.DataType.ListOf;
import org.mapsel.core.declare.DataType.Member;
import org.mapsel.core.declare.DataType.Simple;
import org.mapsel.core.declare.DataType.Structure;
import org.mapsel.core.declare.DataType.Variant;
import org.mapsel.core.declare.DataType.Variants;
import org.mapsel.core.declare.HttpDeclaration.PartDeclaration;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;

/**
 * Makes shapes of types with named members, each once and only when it is asked for: a large
 * description has many thousands, of which a page needs a few. An id is spoken for at once, so
 * types may contain themselves.
 */
final class DataShapes {

  static final ShapeId OPEN = new ShapeId("", "any");
  static final ShapeId OPEN_OBJECT = new ShapeId("", "any object");

  /** The name of the field that holds a list which is a value of its own. */
  static final String ITEMS = "items";

  /** The name of the field that holds a value which is no record. */
  static final String VALUE = "value";

  private static final Shape.Scalar NAME =
      new Shape.Scalar(new ShapeId("", "string"), ScalarType.TEXT, "string", Facets.NONE);

  private final DataTypes types;

  private final Map<ShapeId, Shape> built = new ConcurrentHashMap<>();

  /** How to make what is not made yet; nothing where the id is only spoken for. */
  private final Map<ShapeId, @Nullable Supplier<Shape>> waiting = new HashMap<>();

  private final Map<Notation, Map<String, ShapeId>> declared = new EnumMap<>(Notation.class);
  private final Map<Notation, Map<String, ShapeId>> lists = new EnumMap<>(Notation.class);
  private final Map<ScalarType, Map<String, ShapeId>> plain = new EnumMap<>(ScalarType.class);

  DataShapes(DataTypes types) {
    this.types = types;
    add(new Shape.Open(OPEN));
    add(new Shape.Open(OPEN_OBJECT, true));
    add(NAME);
  }

  DataTypes types() {
    return types;
  }

  void add(Shape shape) {
    built.putIfAbsent(shape.id(), shape);
  }

  /** The field that a value of a type makes. */
  Field field(
      String name, DataType type, boolean required, ShapeId owner, Wire wire, Notation notation) {
    return field(name, types.meaning(type), required, owner, wire, notation);
  }

  private Field field(
      String name,
      DataTypes.Meaning meaning,
      boolean required,
      ShapeId owner,
      Wire wire,
      Notation notation) {
    Field field =
        new Field(
            name,
            OPEN,
            required ? Occurrence.ONE : Occurrence.OPTIONAL,
            meaning.nullable(),
            meaning.preset(),
            meaning.fixed(),
            meaning.documentation(),
            wire,
            meaning.hints());
    return meaning.form() instanceof ListOf list
        ? listField(field, list, owner, notation, meaning.xml().wrapped())
        : field.of(shape(meaning, () -> owner.inner(name), notation));
  }

  private Field listField(
      Field field, ListOf list, ShapeId owner, Notation notation, boolean wrapped) {
    DataTypes.Meaning item = types.meaning(list.item());
    ShapeId id = owner.inner(field.name());
    if (notation == Notation.XML && field.wire() instanceof Wire.XmlElement) {
      return Notation.xmlList(this, field.of(id), list, wrapped);
    }
    ShapeId shape =
        item.form() instanceof ListOf nested
            ? nestedList(item, nested, id, notation)
            : shape(item, () -> id, notation);
    Occurrence occurrence =
        Occurrence.ofList(
                field.isRequired() ? Math.max(1, list.occurrence().min()) : 0,
                list.occurrence().max())
            .holding(list.occurrence().least(), list.occurrence().distinct());
    return field.of(shape).occurring(occurrence);
  }

  /** A list inside a list is a record with nothing but its items; it may contain itself. */
  private ShapeId nestedList(DataTypes.Meaning item, ListOf nested, ShapeId id, Notation notation) {
    Map<String, ShapeId> known = lists.computeIfAbsent(notation, none -> new HashMap<>());
    ShapeId already = item.target().map(known::get).orElse(null);
    if (already != null) {
      return already;
    }
    ShapeId own = reserve(item.target().map(to -> notation.id(types.idOf(to))).orElse(id));
    item.target().ifPresent(target -> known.put(target, own));
    DataType type = DataType.of(nested, nested.item().place());
    add(new Shape.Record(own, List.of(field(ITEMS, type, true, own, new Wire.Whole(), notation))));
    return own;
  }

  /**
   * The shape of a value that is no list.
   *
   * @param inline the id that it is to have if it is a type of its own without a name
   */
  ShapeId shape(DataTypes.Meaning meaning, Supplier<ShapeId> inline, Notation notation) {
    Map<String, ShapeId> known = declared.computeIfAbsent(notation, none -> new HashMap<>());
    ShapeId already = meaning.target().isPresent() ? known.get(meaning.target().get()) : null;
    if (already != null) {
      return already;
    }
    if (meaning.form() instanceof DataType.Anything anything) {
      return anything.object() ? OPEN_OBJECT : OPEN;
    }
    if (meaning.form() instanceof Simple simple
        && meaning.target().isEmpty()
        && simple.facets() == Facets.NONE) {
      return plain(simple);
    }
    ShapeId id =
        reserve(meaning.target().map(target -> notation.id(types.idOf(target))).orElseGet(inline));
    meaning.target().ifPresent(target -> known.put(target, id));
    waiting.put(id, () -> made(id, meaning.form(), notation));
    return id;
  }

  /** The shape of a declared type, of which nothing is looked up before it is asked for. */
  ShapeId declared(String target, Notation notation) {
    return declared
        .computeIfAbsent(notation, none -> new HashMap<>())
        .computeIfAbsent(
            target,
            key -> {
              ShapeId id = reserve(notation.id(types.idOf(key)));
              waiting.put(id, () -> made(id, types.declared(key).form(), notation));
              return id;
            });
  }

  private Shape made(ShapeId id, DataType.Form form, Notation notation) {
    return switch (form) {
      case Simple simple -> new Shape.Scalar(id, simple.type(), simple.builtIn(), simple.facets());
      case Structure structure ->
          new Shape.Record(
              id, fields(structure, id, notation), notation == Notation.XML, structure.demand());
      case Variants variants ->
          new Shape.OneOf(id, alternatives(variants, id, notation), Shape.OneOf.Reason.VARIANT);
      case ListOf list -> {
        DataType type = DataType.of(list, list.item().place());
        Field items = field(ITEMS, type, true, id, new Wire.Whole(), notation);
        yield new Shape.Record(id, List.of(items));
      }
      case DataType.Ref ref -> new Shape.Open(id);
      case DataType.Anything anything -> new Shape.Open(id, anything.object());
    };
  }

  /** Simple types that nothing narrows are the same wherever they stand. */
  ShapeId plain(Simple simple) {
    return plain
        .computeIfAbsent(simple.type(), none -> new HashMap<>())
        .computeIfAbsent(simple.builtIn(), name -> addPlain(simple));
  }

  private ShapeId addPlain(Simple simple) {
    String name =
        simple.builtIn().isEmpty() ? simple.type().name() : simple.type() + " " + simple.builtIn();
    ShapeId id = new ShapeId("", name);
    built.put(id, new Shape.Scalar(id, simple.type(), simple.builtIn(), simple.facets()));
    return id;
  }

  /** A shape that is made when it is asked for, under an id like the one that is wished for. */
  ShapeId later(ShapeId wished, Function<ShapeId, Shape> maker) {
    ShapeId id = reserve(wished);
    waiting.put(id, () -> maker.apply(id));
    return id;
  }

  /** An id that no other shape has, like the one that is wished for. */
  ShapeId reserve(ShapeId wished) {
    ShapeId id = wished;
    for (int i = 2; waiting.containsKey(id) || built.containsKey(id); i++) {
      id = new ShapeId(wished.namespace(), wished.name() + "-" + i);
    }
    waiting.put(id, null);
    return id;
  }

  private List<Field> alternatives(Variants variants, ShapeId id, Notation notation) {
    FieldList fields = new FieldList();
    for (Variant variant : variants.variants()) {
      Optional<String> member =
          variant.value().isPresent() ? variants.discriminator() : Optional.empty();
      fields.add(
          field(
              variant.name(),
              variant.type(),
              true,
              id,
              new Wire.Variant(member, variant.value().orElse("")),
              notation));
    }
    return fields.toList();
  }

  Shapes finish() {
    return Shapes.made(this::find);
  }

  private @Nullable Shape find(ShapeId id) {
    Shape shape = built.get(id);
    return shape != null ? shape : make(id);
  }

  /** Whoever comes second waits for the first and finds what that one made. */
  private synchronized @Nullable Shape make(ShapeId id) {
    Supplier<Shape> maker = waiting.get(id);
    if (maker != null) {
      // The id stays spoken for while what is inside the shape looks for ids of its own.
      waiting.put(id, null);
      add(maker.get());
      waiting.remove(id);
    }
    return built.get(id);
  }

  private List<Field> fields(Structure structure, ShapeId id, Notation notation) {
    FieldList fields = new FieldList();
    for (Member member : structure.members()) {
      DataTypes.Meaning meaning = types.meaning(member.type());
      fields.add(
          field(
              Notation.fieldName(member.name()),
              meaning,
              structure.required().contains(member.name()),
              id,
              notation.wire(member.name(), meaning),
              notation));
    }
    structure.variants().ifPresent(variants -> fields.add(kind(variants, id, notation)));
    structure
        .others()
        .filter(others -> notation != Notation.XML)
        .ifPresent(others -> fields.add(entries(others, id, notation)));
    return fields.toList();
  }

  /**
   * A record whose members travel as a form.
   *
   * @param parts how, for those of which the description says it
   */
  ShapeId form(Structure structure, Map<String, PartDeclaration> parts, ShapeId wished) {
    ShapeId id = reserve(wished);
    FieldList fields = new FieldList();
    for (Member member : structure.members()) {
      String name = member.name();
      PartDeclaration part = parts.getOrDefault(name, PartDeclaration.USUAL);
      Wire wire =
          new Wire.FormPart(
              name,
              part.style(),
              part.explode().orElse(part.style() == Wire.Style.FORM),
              part.contentType());
      boolean required = structure.required().contains(name);
      fields.add(field(name, member.type(), required, id, wire, Notation.JSON));
    }
    add(new Shape.Record(id, fields.toList(), false));
    return id;
  }

  private Field kind(Variants variants, ShapeId owner, Notation notation) {
    ShapeId id = later(owner.inner("kind"), own -> made(own, variants, notation));
    Occurrence occurrence = variants.derived() ? Occurrence.OPTIONAL : Occurrence.ONE;
    return Field.of("kind", id, occurrence, new Wire.Group());
  }

  /** What stands under names that nobody declared is a list of names with their values. */
  private Field entries(DataType others, ShapeId owner, Notation notation) {
    ShapeId id = reserve(owner.inner("entries"));
    Field name =
        Field.of("name", NAME.id(), Occurrence.ONE, new Wire.EntryName())
            .hinted(Hints.NONE.asKey());
    Field value = field(VALUE, others, true, id, new Wire.Whole(), notation);
    add(new Shape.Record(id, List.of(name, value)));
    return Field.of("entries", id, Occurrence.ANY, new Wire.Entries());
  }
}
