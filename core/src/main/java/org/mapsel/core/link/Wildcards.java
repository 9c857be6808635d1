package org.mapsel.core.link;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.mapsel.core.declare.AttributeDeclaration;
import org.mapsel.core.declare.ElementDeclaration;
import org.mapsel.core.declare.Particle;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Memo;
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

  /** In each namespace the first element that holds a text, and the first that may be empty. */
  private final Memo<Candidates> candidates = Memo.later(this::candidates);

  private record Candidates(
      Map<String, ElementDeclaration> simple, Map<String, ElementDeclaration> empty) {}

  Wildcards(ShapeBuilder builder) {
    this.builder = builder;
  }

  /** An element that may stand there; a declared one where it must be. */
  Wire.XmlAny wire(Particle.Any any) {
    if (any.strict()) {
      Optional<ElementDeclaration> declared =
          declared(any, candidates.get().simple())
              .or(() -> declared(any, candidates.get().empty()));
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

  private Candidates candidates() {
    Candidates found = new Candidates(new LinkedHashMap<>(), new LinkedHashMap<>());
    for (ElementDeclaration element : builder.declarations().elements().values()) {
      if (isSimple(element)) {
        found.simple().putIfAbsent(element.name().namespace(), element);
      } else if (mayBeEmpty(element)) {
        found.empty().putIfAbsent(element.name().namespace(), element);
      }
    }
    return found;
  }

  private static Optional<ElementDeclaration> declared(
      Particle.Any any, Map<String, ElementDeclaration> byNamespace) {
    return switch (any.namespaces()) {
      case "##any" -> byNamespace.values().stream().findFirst();
      case "##other" ->
          byNamespace.entrySet().stream()
              .filter(entry -> !entry.getKey().isEmpty() && !entry.getKey().equals(any.target()))
              .map(Map.Entry::getValue)
              .findFirst();
      default ->
          listed(any).stream()
              .map(one -> byNamespace.get(namespace(any, one)))
              .filter(Objects::nonNull)
              .findFirst();
    };
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
