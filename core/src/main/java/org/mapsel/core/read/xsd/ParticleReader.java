package org.mapsel.core.read.xsd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.ElementDeclaration;
import org.mapsel.core.declare.Particle;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Occurrence;

/** Reads elements, groups and wildcards (XML Schema 1.0 part 1, sections 3.3 and 3.7 to 3.10). */
final class ParticleReader {

  private static final TypeRef ANYTHING = new TypeRef.Anything();

  private final SchemaContext context;
  private final XmlCursor cursor;
  private final ElementAttributes attributes = new ElementAttributes();

  ParticleReader(SchemaContext context) {
    this.context = context;
    this.cursor = context.cursor();
  }

  ElementDeclaration globalElement() throws DocumentException {
    ElementAttributes given = attributes.of(cursor);
    return element(context.declaredName(given.name == null ? "" : given.name), given);
  }

  /** A named group's content: the one group inside it. */
  Particle namedGroup() throws DocumentException {
    Particle content = new Particle.Group(Particle.Order.SEQUENCE, List.of(), Occurrence.ONE);
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      Particle particle = particle();
      content = particle == null ? content : particle;
    }
    return content;
  }

  /** The particle that the cursor stands on; null if it is none. */
  @Nullable Particle particle() throws DocumentException {
    if (cursor.local().equals("element")) {
      return elementUse();
    }
    Occurrence occurrence = context.occurrence();
    return switch (cursor.local()) {
      case "sequence" -> group(Particle.Order.SEQUENCE, occurrence);
      case "choice" -> group(Particle.Order.CHOICE, occurrence);
      case "all" -> group(Particle.Order.ALL, occurrence);
      case "any" ->
          new Particle.Any(
              occurrence,
              context.attribute("namespace").orElse("##any"),
              context.target(),
              context.attribute("processContents").orElse("strict").equals("strict"));
      case "group" -> {
        Place place = context.place();
        yield context
            .attribute("ref")
            .map(ref -> new Particle.GroupRef(context.resolve(ref), occurrence, place))
            .orElse(null);
      }
      default -> null;
    };
  }

  private Particle group(Particle.Order order, Occurrence occurrence) throws DocumentException {
    List<Particle> particles = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      Particle particle = particle();
      if (particle != null) {
        particles.add(particle);
      }
    }
    return new Particle.Group(order, particles, occurrence);
  }

  private Particle elementUse() throws DocumentException {
    ElementAttributes given = attributes.of(cursor);
    Occurrence occurrence = context.occurrence(given.minOccurs, given.maxOccurs);
    if (given.ref != null) {
      return new Particle.ElementRef(context.resolve(given.ref), occurrence, context.place());
    }
    String local = given.name == null ? "" : given.name.strip();
    boolean qualified =
        given.form == null ? context.elementsQualified() : given.form.equals("qualified");
    Name name = qualified ? context.targetName(local) : Name.of("", local);
    return new Particle.Element(element(name, given), occurrence);
  }

  private ElementDeclaration element(Name name, ElementAttributes given) throws DocumentException {
    Place place = context.place();
    TypeRef type =
        given.type == null ? ANYTHING : new TypeRef.Named(context.resolve(given.type), place);
    Optional<Name> substitutes =
        given.substitutes == null
            ? Optional.empty()
            : Optional.of(context.resolve(given.substitutes));
    boolean nillable = ElementAttributes.isTrue(given.nillable);
    boolean isAbstract = ElementAttributes.isTrue(given.isAbstract);
    Optional<String> preset = Optional.ofNullable(given.preset);
    Optional<String> fixed = Optional.ofNullable(given.fixed);
    // What is inside may have elements of its own, whose attributes take the place of these.
    String documentation = "";
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "complexType" -> type = new TypeRef.Inline(new TypeReader(context).complexType());
        case "simpleType" -> type = new TypeRef.Inline(new TypeReader(context).simpleType());
        case "annotation" -> documentation = context.documentation();
        default -> {}
      }
    }
    return new ElementDeclaration(
        name, type, nillable, isAbstract, substitutes, preset, fixed, documentation, place);
  }
}
