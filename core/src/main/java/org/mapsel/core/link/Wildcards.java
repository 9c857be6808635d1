package org.mapsel.core.link;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.declare.AttributeDeclaration;
import org.mapsel.core.declare.ElementDeclaration;
import org.mapsel.core.declare.Particle;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** Which elements a wildcard lets in (XML Schema 1.0 part 1, section 3.10.4). */
final class Wildcards {

  private static final Shape.Scalar NOTHING =
      new Shape.Scalar(
          new ShapeId("urn:example", "nothing"),
          ScalarType.TEXT,
          "xs:string",
          Facets.oneOf(List.of("")));

  private static final Name FREE = Name.of("urn:example", "any");

  private final ShapeBuilder builder;

  /** What was found for wildcards of one wording; schemas repeat them, and have many elements. */
  private final Map<String, Optional<ElementDeclaration>> known = new HashMap<>();

  Wildcards(ShapeBuilder builder) {
    this.builder = builder;
  }

  /** An element that may stand there; a declared one where it must be. */
  Wire.XmlAny wire(Particle.Any any) {
    if (any.strict()) {
      Optional<ElementDeclaration> declared =
          known.computeIfAbsent(any.namespaces() + " " + any.target(), none -> declared(any));
      if (declared.isPresent()) {
        return wire(declared.get());
      }
    }
    Name free =
        switch (any.namespaces()) {
          case "##any", "##other" -> FREE;
          default -> Name.of(namespace(any, listed(any).get(0)), FREE.local());
        };
    return new Wire.XmlAny(free, builder.add(BuiltInTypes.text()));
  }

  private Wire.XmlAny wire(ElementDeclaration declared) {
    Name name = declared.name();
    ShapeId owner = new ShapeId(name.namespace(), "");
    return isSimple(declared)
        ? new Wire.XmlAny(name, builder.shapeOf(declared.type(), owner, name.local()))
        : new Wire.XmlAny(name, builder.add(NOTHING));
  }

  /** One that holds a text, or else one that may be empty. */
  private Optional<ElementDeclaration> declared(Particle.Any any) {
    List<ElementDeclaration> allowed =
        builder.declarations().elements().values().stream()
            .filter(element -> allows(any, element.name().namespace()))
            .toList();
    return allowed.stream()
        .filter(this::isSimple)
        .findFirst()
        .or(() -> allowed.stream().filter(this::mayBeEmpty).findFirst());
  }

  private boolean mayBeEmpty(ElementDeclaration element) {
    TypeDeclaration type =
        switch (element.type()) {
          case TypeRef.Named named -> builder.declarations().types().get(named.name());
          case TypeRef.Inline inline -> inline.type();
          case TypeRef.Anything any -> null;
        };
    return !element.isAbstract()
        && type instanceof TypeDeclaration.Complex complex
        && !complex.isAbstract()
        && complex.derivation().isEmpty()
        && complex.attributes().groups().isEmpty()
        && complex.attributes().own().stream()
            .noneMatch(attribute -> attribute.use() == AttributeDeclaration.Use.REQUIRED)
        && complex.content().map(Wildcards::mayBeEmpty).orElse(true);
  }

  private static boolean mayBeEmpty(Particle particle) {
    return particle.occurrence().min() == 0
        || particle instanceof Particle.Group group
            && group.order() != Particle.Order.CHOICE
            && group.particles().stream().allMatch(Wildcards::mayBeEmpty);
  }

  private boolean isSimple(ElementDeclaration element) {
    return !element.isAbstract()
        && switch (element.type()) {
          case TypeRef.Named named ->
              BuiltInTypes.find(named.name()).filter(Shape.Scalar.class::isInstance).isPresent()
                  || builder.declarations().types().get(named.name())
                      instanceof TypeDeclaration.Simple;
          case TypeRef.Inline inline -> inline.type() instanceof TypeDeclaration.Simple;
          case TypeRef.Anything any -> false;
        };
  }

  private static boolean allows(Particle.Any any, String namespace) {
    return switch (any.namespaces()) {
      case "##any" -> true;
      case "##other" -> !namespace.isEmpty() && !namespace.equals(any.target());
      default -> listed(any).stream().anyMatch(one -> namespace(any, one).equals(namespace));
    };
  }

  private static List<String> listed(Particle.Any any) {
    return Arrays.asList(any.namespaces().strip().split("\\s+"));
  }

  private static String namespace(Particle.Any any, String written) {
    return switch (written) {
      case "##local" -> "";
      case "##targetNamespace" -> any.target();
      default -> written;
    };
  }
}
