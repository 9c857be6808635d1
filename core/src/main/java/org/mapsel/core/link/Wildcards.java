package org.mapsel.core.link;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.ElementDeclaration;
import org.mapsel.core.declare.Particle;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;

/** Which elements a wildcard lets in (XML Schema 1.0 part 1, section 3.10.4). */
final class Wildcards {

  private static final Name FREE = Name.of("urn:example", "any");

  private Wildcards() {}

  /** An element that may stand there; a declared one where it must be. */
  static Wire.XmlAny wire(Particle.Any any, ShapeBuilder builder) {
    if (any.strict()) {
      Optional<ElementDeclaration> declared =
          builder.declarations().elements().values().stream()
              .filter(element -> allows(any, element.name().namespace()))
              .filter(element -> isSimple(element, builder))
              .findFirst();
      if (declared.isPresent()) {
        Name name = declared.get().name();
        return new Wire.XmlAny(
            name,
            builder.shapeOf(
                declared.get().type(), new ShapeId(name.namespace(), ""), name.local()));
      }
    }
    Name free =
        switch (any.namespaces()) {
          case "##any", "##other" -> FREE;
          default -> Name.of(namespace(any, listed(any).get(0)), FREE.local());
        };
    return new Wire.XmlAny(free, builder.add(BuiltInTypes.text()));
  }

  private static boolean isSimple(ElementDeclaration element, ShapeBuilder builder) {
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
