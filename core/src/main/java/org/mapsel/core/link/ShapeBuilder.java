package org.mapsel.core.link;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.declare.ElementDeclaration;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;

/**
 * Resolves types to shapes, each once and only those that are asked for. A shape under way is found
 * by its id, so types may refer to themselves.
 */
final class ShapeBuilder {

  private final Declarations declarations;
  private final Findings findings;
  private final SimpleTypes simpleTypes;
  private final ComplexTypes complexTypes;
  private final Derivations derivations;
  private final Wildcards wildcards;
  private final Map<ShapeId, Shape> built = new LinkedHashMap<>();
  private final Map<ShapeId, TypeDeclaration.Complex> waiting = new LinkedHashMap<>();
  private final Map<Name, ShapeId> resolved = new IdentityHashMap<>();
  private final Deque<ShapeId> queue = new ArrayDeque<>();

  ShapeBuilder(Declarations declarations, Findings findings) {
    this.declarations = declarations;
    this.findings = findings;
    this.simpleTypes = new SimpleTypes(this);
    this.complexTypes = new ComplexTypes(this);
    this.derivations = new Derivations(declarations);
    this.wildcards = new Wildcards(this);
  }

  Declarations declarations() {
    return declarations;
  }

  Wildcards wildcards() {
    return wildcards;
  }

  Findings findings() {
    return findings;
  }

  Derivations derivations() {
    return derivations;
  }

  SimpleTypes simpleTypes() {
    return simpleTypes;
  }

  /**
   * The id of a type's shape, which is built now or before {@link #finish} returns.
   *
   * @param owner the shape in which a type without a name was written, at the given step
   */
  ShapeId shapeOf(TypeRef type, ShapeId owner, String step) {
    return switch (type) {
      case TypeRef.Anything any -> open();
      case TypeRef.Inline inline -> declared(inline.type(), owner.inner(step));
      case TypeRef.Named named -> {
        // A schema keeps each name once, so the same name is nearly always the same object.
        ShapeId known = resolved.get(named.name());
        if (known == null) {
          known = named(named);
          resolved.put(named.name(), known);
        }
        yield known;
      }
    };
  }

  private ShapeId named(TypeRef.Named named) {
    Optional<Shape> builtIn = BuiltInTypes.find(named.name());
    if (builtIn.isPresent()) {
      return add(builtIn.get());
    }
    TypeDeclaration declaration = declarations.types().get(named.name());
    if (declaration == null) {
      missing("XSD_TYPE_MISSING", named.name(), named.place());
      return open();
    }
    return declared(declaration, ShapeId.of(named.name()));
  }

  private ShapeId declared(TypeDeclaration type, ShapeId id) {
    if (built.containsKey(id) || waiting.containsKey(id)) {
      return id;
    }
    switch (type) {
      case TypeDeclaration.Simple simple -> add(simpleTypes.scalar(id, simple));
      case TypeDeclaration.Complex complex -> {
        waiting.put(id, complex);
        queue.add(id);
      }
    }
    return id;
  }

  /** The field that a global or local element makes. */
  Field elementField(ElementDeclaration element, Occurrence occurrence, ShapeId owner) {
    return new Field(
        element.name().local(),
        shapeOf(element.type(), owner, element.name().local()),
        occurrence,
        element.nillable(),
        element.preset(),
        element.fixed(),
        element.documentation(),
        new Wire.XmlElement(element.name()),
        Hints.NONE);
  }

  /** The field that a global element makes, if it is declared. */
  Optional<Field> globalElement(Name name, Occurrence occurrence, Place from) {
    ElementDeclaration element = declarations.elements().get(name);
    if (element == null) {
      missing("XSD_ELEMENT_MISSING", name, from);
      return Optional.empty();
    }
    Field field = elementField(element, occurrence, new ShapeId(name.namespace(), ""));
    return Optional.of(field);
  }

  ShapeId open() {
    return add(new Shape.Open(BuiltInTypes.OPEN));
  }

  ShapeId add(Shape shape) {
    built.putIfAbsent(shape.id(), shape);
    return shape.id();
  }

  /** Puts a shape in the place of one that held its id. */
  ShapeId replace(Shape shape) {
    built.put(shape.id(), shape);
    return shape.id();
  }

  boolean has(ShapeId id) {
    return built.containsKey(id);
  }

  /** Builds what is waiting, and what that asks for, until nothing is. */
  void finish() {
    while (!queue.isEmpty()) {
      ShapeId id = queue.poll();
      built.put(id, complexTypes.shape(id, waiting.get(id)));
    }
  }

  /** A shape that {@link #finish} has built. */
  Shape built(ShapeId id) {
    return Objects.requireNonNull(built.get(id), () -> "Not built: " + id);
  }

  Shapes shapes() {
    return new Shapes(built.values());
  }

  void missing(String code, Name name, Place from) {
    var known =
        switch (code) {
          case "XSD_TYPE_MISSING" -> declarations.types().keySet();
          case "XSD_ELEMENT_MISSING" -> declarations.elements().keySet();
          case "XSD_GROUP_MISSING" -> declarations.groups().keySet();
          default -> declarations.attributes().keySet();
        };
    findings.add(
        Finding.error(code, "name", name.toString(), "near", Names.near(name, known)).at(from));
  }
}
