package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.AttributeDeclaration;
import org.mapsel.core.declare.Attributes;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeDeclaration.Derivation;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** Complex types to record shapes: inheritance, groups and attributes laid flat. */
final class ComplexTypes {

  /** The field that holds the text of an element which also has attributes. */
  private static final String TEXT_FIELD = "value";

  private static final String MIXED_FIELD = "text";
  private static final String ANY_FIELD = "any";

  private final ShapeBuilder builder;
  private final Particles particles;

  ComplexTypes(ShapeBuilder builder) {
    this.builder = builder;
    this.particles = new Particles(builder);
  }

  Shape shape(ShapeId id, TypeDeclaration.Complex type) {
    FieldList fields = new FieldList();
    if (type.derivation().map(Derivation::simpleContent).orElse(false)) {
      Shape.Scalar base = builder.simpleTypes().base(new TypeRef.Inline(type), new HashSet<>());
      List<Field> attributes = attributes(id, type);
      if (attributes.isEmpty()) {
        return new Shape.Scalar(id, base.type(), base.builtIn(), base.facets());
      }
      ShapeId text = id.inner(TEXT_FIELD);
      builder.add(new Shape.Scalar(text, base.type(), base.builtIn(), base.facets()));
      fields.add(Field.of(TEXT_FIELD, text, Occurrence.ONE, new Wire.XmlText()));
      attributes.forEach(fields::add);
      return new Shape.Record(id, fields.toList());
    }
    if (type.mixed()) {
      ShapeId text = builder.add(BuiltInTypes.text());
      fields.add(Field.of(MIXED_FIELD, text, Occurrence.OPTIONAL, new Wire.XmlText()));
    }
    attributes(id, type).forEach(fields::add);
    content(id, type, fields, own(type));
    return new Shape.Record(id, fields.toList());
  }

  /** The names on the way to the base types, which must not recur: first the type's own. */
  private static Set<Name> own(TypeDeclaration.Complex type) {
    Set<Name> open = new HashSet<>();
    type.name().ifPresent(open::add);
    return open;
  }

  /** The fields of the base first, then the type's own. */
  private void content(ShapeId id, TypeDeclaration.Complex type, FieldList fields, Set<Name> open) {
    if (type.derivation().isPresent()
        && type.derivation().get().method() == Derivation.Method.EXTENSION) {
      base(type, open).ifPresent(base -> content(id, base, fields, open));
    }
    type.content().ifPresent(content -> particles.flatten(id, content, fields));
  }

  private List<Field> attributes(ShapeId id, TypeDeclaration.Complex type) {
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
      collected.removeIf(field -> field.wire().equals(new Wire.XmlAttribute(attribute.name())));
      if (attribute.use() != AttributeDeclaration.Use.PROHIBITED) {
        collected.add(attributeField(id, attribute));
      }
    }
    if (attributes.any()
        && collected.stream().noneMatch(field -> field.wire() instanceof Wire.XmlAny)) {
      collected.add(
          Field.of("anyAttribute", builder.open(), Occurrence.OPTIONAL, new Wire.XmlAny()));
    }
  }

  private Field attributeField(ShapeId id, AttributeDeclaration attribute) {
    AttributeDeclaration says = attribute;
    if (attribute.reference()) {
      AttributeDeclaration global = builder.declarations().attributes().get(attribute.name());
      if (global != null) {
        says = global;
      } else if (!attribute.name().namespace().equals("http://www.w3.org/XML/1998/namespace")) {
        builder.missing("XSD_ATTRIBUTE_MISSING", attribute.name(), attribute.place());
      }
    }
    ShapeId shape =
        says.type() instanceof TypeRef.Anything
            ? builder.add(BuiltInTypes.text())
            : builder.shapeOf(says.type(), id.inner("@" + attribute.name().local()));
    return new Field(
        attribute.name().local(),
        shape,
        attribute.use() == AttributeDeclaration.Use.REQUIRED ? Occurrence.ONE : Occurrence.OPTIONAL,
        false,
        attribute.preset().or(says::preset),
        attribute.fixed().or(says::fixed),
        says.documentation(),
        new Wire.XmlAttribute(attribute.name()));
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
    TypeDeclaration declared = builder.declarations().types().get(named.name());
    if (declared == null) {
      builder.missing("XSD_TYPE_MISSING", named.name(), named.place());
    }
    return declared instanceof TypeDeclaration.Complex complex
        ? Optional.of(complex)
        : Optional.empty();
  }

  static Field any(ShapeId open, Occurrence occurrence) {
    return Field.of(ANY_FIELD, open, occurrence, new Wire.XmlAny());
  }
}
