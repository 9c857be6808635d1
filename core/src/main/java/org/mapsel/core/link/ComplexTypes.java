package org.mapsel.core.link;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.AttributeDeclaration;
import org.mapsel.core.declare.Attributes;
import org.mapsel.core.declare.Particle;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeDeclaration.Derivation;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** Complex types to record shapes: inheritance, groups and attributes laid flat. */
final class ComplexTypes {

  /** Longer lines of types, each derived from the next, nobody writes by hand. */
  private static final int DEEPEST = 200;

  /** The field that holds the text of an element which also has attributes. */
  private static final String TEXT_FIELD = "value";

  private static final String MIXED_FIELD = "text";
  private static final String KIND_FIELD = "kind";
  private static final String ITEM_FIELD = "item";
  private static final Name ARRAY = Name.of("http://schemas.xmlsoap.org/soap/encoding/", "Array");

  private final ShapeBuilder builder;
  private final Particles particles;

  ComplexTypes(ShapeBuilder builder) {
    this.builder = builder;
    this.particles = new Particles(builder);
  }

  Shape shape(ShapeId id, TypeDeclaration.Complex type) {
    FieldList fields = new FieldList();
    Optional<Shape> array = array(id, type);
    if (array.isPresent()) {
      return array.get();
    }
    if (type.derivation().map(Derivation::simpleContent).orElse(false)) {
      Shape.Scalar base = builder.simpleTypes().base(new TypeRef.Inline(type), new HashSet<>());
      List<Field> attributes = attributes(id, type);
      Optional<Field> kinds = kinds(id, type);
      if (attributes.isEmpty() && kinds.isEmpty()) {
        return base.as(id, base.facets());
      }
      ShapeId text = id.inner(TEXT_FIELD);
      builder.add(base.as(text, base.facets()));
      fields.add(Field.of(TEXT_FIELD, text, Occurrence.ONE, new Wire.XmlText()));
      attributes.forEach(fields::add);
      kinds.ifPresent(fields::add);
      return new Shape.Record(id, fields.toList());
    }
    if (type.mixed()) {
      ShapeId text = builder.add(BuiltInTypes.text());
      fields.add(Field.of(MIXED_FIELD, text, Occurrence.OPTIONAL, new Wire.XmlText()));
    }
    attributes(id, type).forEach(fields::add);
    content(id, type, fields);
    kinds(id, type).ifPresent(fields::add);
    return new Shape.Record(id, fields.toList(), !isUnordered(type));
  }

  private boolean isUnordered(TypeDeclaration.Complex type) {
    Optional<Particle> content = type.content();
    if (content.isPresent() && content.get() instanceof Particle.GroupRef ref) {
      content = Optional.ofNullable(builder.declarations().groups().get(ref.name()));
    }
    return content.isPresent()
        && content.get() instanceof Particle.Group group
        && group.order() == Particle.Order.ALL;
  }

  /**
   * An array of the SOAP encoding (SOAP 1.1, section 5.4.2), where the type is one or is derived
   * from one: its items, and what extensions add. What the encoding itself says of arrays is
   * nobody's field.
   */
  private Optional<Shape> array(ShapeId id, TypeDeclaration.Complex type) {
    Deque<TypeDeclaration.Complex> extensions = new ArrayDeque<>();
    Set<Name> open = new HashSet<>();
    Optional<TypeDeclaration.Complex> here = Optional.of(type);
    while (here.isPresent()) {
      Optional<TypeRef> item = itemOf(here.get());
      if (item.isPresent()) {
        FieldList fields = new FieldList();
        fields.add(items(id, here.get(), item.get()));
        extensions.forEach(extension -> added(id, extension, fields));
        return Optional.of(new Shape.Record(id, fields.toList()));
      }
      extensions.push(here.get());
      here = declaredBase(here.get(), open);
    }
    return Optional.empty();
  }

  /** The items of the array that a type declares by itself: as an attribute or an element says. */
  private Optional<TypeRef> itemOf(TypeDeclaration.Complex type) {
    Optional<TypeRef> said = type.attributes().arrayOf();
    return said.isPresent() || !Derivations.base(type).equals(Optional.of(ARRAY))
        ? said
        : type.content().flatMap(ComplexTypes::firstElement);
  }

  private static Optional<TypeRef> firstElement(Particle particle) {
    return switch (particle) {
      case Particle.Element element -> Optional.of(element.element().type());
      case Particle.Group group ->
          group.particles().stream().flatMap(member -> firstElement(member).stream()).findFirst();
      default -> Optional.empty();
    };
  }

  private void added(ShapeId id, TypeDeclaration.Complex extension, FieldList fields) {
    for (AttributeDeclaration attribute : extension.attributes().own()) {
      if (!attribute.name().namespace().equals(ARRAY.namespace())) {
        fields.add(attributeField(id, attribute));
      }
    }
    extension.content().ifPresent(content -> particles.flatten(id, content, fields));
  }

  /** The items, whatever they are called. */
  private Field items(ShapeId id, TypeDeclaration.Complex type, TypeRef item) {
    FieldList declared = new FieldList();
    type.content().ifPresent(content -> particles.flatten(id, content, declared));
    Name itemType =
        item instanceof TypeRef.Named named
            ? builder.declarations().inMessages(named.name())
            : ARRAY;
    String name =
        declared.toList().stream()
            .filter(field -> field.wire() instanceof Wire.XmlElement)
            .map(Field::name)
            .findFirst()
            .orElse(ITEM_FIELD);
    return Field.of(
        name,
        builder.shapeOf(item, id, ITEM_FIELD),
        Occurrence.ANY,
        new Wire.ArrayItem(name, itemType));
  }

  /**
   * The field that tells which derived type a value is of, where there are any; required where the
   * type itself is abstract. Each alternative holds what that type adds.
   */
  private Optional<Field> kinds(ShapeId id, TypeDeclaration.Complex type) {
    if (type.name().isEmpty()) {
      return Optional.empty();
    }
    Name base = type.name().get();
    List<Name> names = builder.derivations().derivedFrom(base);
    if (names.isEmpty()) {
      return Optional.empty();
    }
    FieldList alternatives = new FieldList();
    for (Name name : names) {
      Name said = builder.declarations().inMessages(name);
      TypeDeclaration.Complex derived =
          (TypeDeclaration.Complex) builder.declarations().types().get(name);
      ShapeId added = id.inner(KIND_FIELD).inner(name.local());
      builder.add(new Shape.Record(added, added(added, base, derived)));
      alternatives.add(Field.of(said.local(), added, Occurrence.ONE, new Wire.Kind(said)));
    }
    ShapeId kinds =
        builder.add(
            new Shape.OneOf(
                id.inner(KIND_FIELD), alternatives.toList(), Shape.OneOf.Reason.DERIVATION));
    return Optional.of(
        Field.of(
            KIND_FIELD,
            kinds,
            type.isAbstract() ? Occurrence.ONE : Occurrence.OPTIONAL,
            new Wire.Group()));
  }

  /** What a derived type has beyond the base: nothing new in a restriction. */
  private List<Field> added(ShapeId id, Name base, TypeDeclaration.Complex derived) {
    Deque<TypeDeclaration.Complex> chain = new ArrayDeque<>();
    Set<Name> open = new HashSet<>();
    Optional<TypeDeclaration.Complex> here = Optional.of(derived);
    while (here.isPresent() && !here.get().name().equals(Optional.of(base))) {
      chain.push(here.get());
      here = declaredBase(here.get(), open);
    }
    FieldList fields = new FieldList();
    for (TypeDeclaration.Complex type : chain) {
      if (type.derivation().map(Derivation::method).orElse(null) == Derivation.Method.EXTENSION) {
        List<Field> attributes = new ArrayList<>();
        attributes(id, type.attributes(), attributes, new HashSet<>());
        attributes.forEach(fields::add);
        type.content().ifPresent(content -> particles.flatten(id, content, fields));
      }
    }
    return fields.toList();
  }

  /** The complex type that one is derived from, if it is declared and was not met yet. */
  private Optional<TypeDeclaration.Complex> declaredBase(
      TypeDeclaration.Complex type, Set<Name> open) {
    return Derivations.base(type)
        .filter(open::add)
        .map(name -> builder.declarations().types().get(name))
        .filter(TypeDeclaration.Complex.class::isInstance)
        .map(TypeDeclaration.Complex.class::cast);
  }

  /** The names on the way to the base types, which must not recur: first the type's own. */
  private static Set<Name> own(TypeDeclaration.Complex type) {
    Set<Name> open = new HashSet<>();
    type.name().ifPresent(open::add);
    return open;
  }

  /** The fields of the base first, then the type's own. */
  private void content(ShapeId id, TypeDeclaration.Complex type, FieldList fields) {
    if (type.derivation().isPresent()) {
      content(id, type, fields, own(type));
    } else {
      type.content().ifPresent(content -> particles.flatten(id, content, fields));
    }
  }

  private void content(ShapeId id, TypeDeclaration.Complex type, FieldList fields, Set<Name> open) {
    if (type.derivation().isPresent()
        && type.derivation().get().method() == Derivation.Method.EXTENSION) {
      base(type, open).ifPresent(base -> content(id, base, fields, open));
    }
    type.content().ifPresent(content -> particles.flatten(id, content, fields));
  }

  private List<Field> attributes(ShapeId id, TypeDeclaration.Complex type) {
    if (type.derivation().isEmpty() && type.attributes().equals(Attributes.NONE)) {
      return List.of();
    }
    List<Field> collected = new ArrayList<>();
    attributes(id, type, collected, own(type));
    return collected;
  }

  private void attributes(
      ShapeId id, TypeDeclaration.Complex type, List<Field> collected, Set<Name> open) {
    base(type, open).ifPresent(base -> attributes(id, base, collected, open));
    attributes(id, type.attributes(), collected, new HashSet<>());
  }

  private void attributes(
      ShapeId id, Attributes attributes, List<Field> collected, Set<Name> openGroups) {
    for (Name group : attributes.groups()) {
      Attributes named = builder.declarations().attributeGroups().get(group);
      if (named != null && openGroups.add(group)) {
        attributes(id, named, collected, openGroups);
      }
    }
    for (AttributeDeclaration attribute : attributes.own()) {
      Wire wire = new Wire.XmlAttribute(inMessages(attribute));
      collected.removeIf(field -> field.wire().equals(wire));
      if (attribute.use() != AttributeDeclaration.Use.PROHIBITED) {
        collected.add(attributeField(id, attribute));
      }
    }
  }

  private Name inMessages(AttributeDeclaration attribute) {
    return attribute.reference()
        ? builder.declarations().inMessages(attribute.name())
        : attribute.name();
  }

  private Field attributeField(ShapeId id, AttributeDeclaration attribute) {
    Name name = inMessages(attribute);
    AttributeDeclaration says = attribute;
    if (attribute.reference()) {
      AttributeDeclaration global = builder.declarations().attributes().get(attribute.name());
      if (global != null) {
        says = global;
      } else {
        builder.missing("XSD_ATTRIBUTE_MISSING", attribute.name(), attribute.place());
      }
    }
    ShapeId shape =
        says.type() instanceof TypeRef.Anything || isMissing(says.type())
            ? builder.add(BuiltInTypes.anySimple())
            : builder.shapeOf(says.type(), id, "@" + attribute.name().local());
    return new Field(
        name.local(),
        shape,
        attribute.use() == AttributeDeclaration.Use.REQUIRED ? Occurrence.ONE : Occurrence.OPTIONAL,
        false,
        attribute.preset().or(says::preset),
        attribute.fixed().or(says::fixed),
        says.documentation(),
        new Wire.XmlAttribute(name),
        Hints.NONE);
  }

  /** An attribute holds one simple value, also where nobody says which. */
  private boolean isMissing(TypeRef type) {
    if (!(type instanceof TypeRef.Named named) || BuiltInTypes.find(named.name()).isPresent()) {
      return false;
    }
    TypeDeclaration declared = builder.declarations().types().get(named.name());
    if (declared == null) {
      builder.missing("XSD_TYPE_MISSING", named.name(), named.place());
    }
    return !(declared instanceof TypeDeclaration.Simple);
  }

  /** The complex type that this one is derived from, if there is one and it is not a loop. */
  private Optional<TypeDeclaration.Complex> base(TypeDeclaration.Complex type, Set<Name> open) {
    if (type.derivation().isEmpty()
        || !(type.derivation().get().base() instanceof TypeRef.Named named)
        || BuiltInTypes.find(named.name()).isPresent()) {
      return Optional.empty();
    }
    if (!open.add(named.name())) {
      builder
          .findings()
          .add(
              Finding.error("XSD_TYPE_EXTENDS_ITSELF", "name", named.name().toString())
                  .at(named.place()));
      return Optional.empty();
    }
    if (open.size() > DEEPEST) {
      builder
          .findings()
          .add(
              Finding.error("XSD_DERIVATION_DEEP", "limit", String.valueOf(DEEPEST))
                  .at(named.place()));
      return Optional.empty();
    }
    TypeDeclaration declared = builder.declarations().types().get(named.name());
    if (declared == null) {
      builder.missing("XSD_TYPE_MISSING", named.name(), named.place());
    }
    return declared instanceof TypeDeclaration.Complex complex
        ? Optional.of(complex)
        : Optional.empty();
  }
}
