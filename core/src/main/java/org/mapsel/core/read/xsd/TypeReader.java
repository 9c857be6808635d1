package org.mapsel.core.read.xsd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.Attributes;
import org.mapsel.core.declare.Particle;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeDeclaration.Derivation;
import org.mapsel.core.declare.TypeDeclaration.Variety;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Facets;

/** Reads simple and complex types; the cursor stands on the type and afterwards at its end. */
final class TypeReader {

  private final SchemaContext context;
  private final XmlCursor cursor;

  TypeReader(SchemaContext context) {
    this.context = context;
    this.cursor = context.cursor();
  }

  private Optional<Name> ownName() {
    return context.attribute("name").map(context::declaredName);
  }

  /** The type that an attribute names, if it does. */
  Optional<TypeRef> named(String attribute) {
    Place place = context.place();
    return context
        .attribute(attribute)
        .map(text -> new TypeRef.Named(context.resolve(text), place));
  }

  TypeDeclaration.Simple simpleType() throws DocumentException {
    Optional<Name> name = ownName();
    Place place = context.place();
    TypeDeclaration.Simple read = null;
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "restriction" -> read = restriction(name, place);
        case "list" ->
            read =
                new TypeDeclaration.Simple(
                    name, place, Variety.LIST, members("itemType"), Facets.NONE);
        case "union" ->
            read =
                new TypeDeclaration.Simple(
                    name, place, Variety.UNION, members("memberTypes"), Facets.NONE);
        default -> {}
      }
    }
    return read != null
        ? read
        : new TypeDeclaration.Simple(
            name, place, Variety.ATOMIC, List.of(new TypeRef.Anything()), Facets.NONE);
  }

  private TypeDeclaration.Simple restriction(Optional<Name> name, Place place)
      throws DocumentException {
    Optional<TypeRef> base = named("base");
    FacetCollector facets = new FacetCollector();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("simpleType")) {
        base = Optional.of(new TypeRef.Inline(simpleType()));
      } else {
        facets.take(cursor);
      }
    }
    return new TypeDeclaration.Simple(
        name,
        place,
        Variety.ATOMIC,
        List.of(base.orElse(new TypeRef.Anything())),
        facets.collected());
  }

  private List<TypeRef> members(String attribute) throws DocumentException {
    List<TypeRef> members = new ArrayList<>();
    Place place = context.place();
    for (String one : context.attribute(attribute).orElse("").strip().split("\\s+")) {
      if (!one.isEmpty()) {
        members.add(new TypeRef.Named(context.resolve(one), place));
      }
    }
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("simpleType")) {
        members.add(new TypeRef.Inline(simpleType()));
      }
    }
    return members;
  }

  /** What a complex type turns out to hold while its children are read. */
  private static final class Content {
    Optional<Derivation> derivation = Optional.empty();
    Optional<Particle> particle = Optional.empty();
    final AttributeCollector attributes = new AttributeCollector();
    final FacetCollector facets = new FacetCollector();
    boolean mixed;
  }

  TypeDeclaration.Complex complexType() throws DocumentException {
    Optional<Name> name = ownName();
    Place place = context.place();
    boolean isAbstract = context.isTrue("abstract");
    Content content = new Content();
    content.mixed = context.isTrue("mixed");
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "simpleContent" -> derived(content, true);
        case "complexContent" -> {
          content.mixed |= context.isTrue("mixed");
          derived(content, false);
        }
        default -> take(content);
      }
    }
    Attributes attributes = content.attributes.collected();
    return new TypeDeclaration.Complex(
        name,
        place,
        content.derivation,
        content.particle,
        attributes,
        content.mixed,
        isAbstract,
        content.facets.collected());
  }

  private void derived(Content content, boolean simple) throws DocumentException {
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("annotation")) {
        continue;
      }
      Derivation.Method method =
          cursor.local().equals("extension")
              ? Derivation.Method.EXTENSION
              : Derivation.Method.RESTRICTION;
      TypeRef base = named("base").orElse(new TypeRef.Anything());
      int inner = cursor.depth();
      while (cursor.nextChild(inner)) {
        if (cursor.local().equals("simpleType")) {
          base = new TypeRef.Inline(simpleType());
        } else {
          take(content);
        }
      }
      content.derivation = Optional.of(new Derivation(base, method, simple));
    }
  }

  private void take(Content content) throws DocumentException {
    switch (cursor.local()) {
      case "sequence", "choice", "all", "group" ->
          content.particle = Optional.ofNullable(new ParticleReader(context).particle());
      case "attribute", "attributeGroup", "anyAttribute" ->
          new AttributeReader(context).take(content.attributes);
      default -> content.facets.take(cursor);
    }
  }
}
