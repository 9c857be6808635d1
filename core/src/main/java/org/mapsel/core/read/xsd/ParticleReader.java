package org.mapsel.core.read.xsd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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

  ParticleReader(SchemaContext context) {
    this.context = context;
    this.cursor = context.cursor();
  }

  ElementDeclaration globalElement() throws DocumentException {
    ElementAttributes given = ElementAttributes.of(cursor);
    return element(context.declaredName(given.name == null ? "" : given.name), given);
  }

  /** A named group's content: the one group inside it. */
  Particle namedGroup() throws DocumentException {
    Particle content = new Particle.Group(Particle.Order.SEQUENCE, List.of(), Occurrence.ONE);
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      content = particle().orElse(content);
    }
    return content;
  }

  /** The particle that the cursor stands on, if it is one. */
  Optional<Particle> particle() throws DocumentException {
    if (cursor.local().equals("element")) {
      return Optional.of(elementUse());
    }
    Occurrence occurrence = context.occurrence();
    return switch (cursor.local()) {
      case "sequence" -> Optional.of(group(Particle.Order.SEQUENCE, occurrence));
      case "choice" -> Optional.of(group(Particle.Order.CHOICE, occurrence));
      case "all" -> Optional.of(group(Particle.Order.ALL, occurrence));
      case "any" ->
          Optional.of(
              new Particle.Any(
                  occurrence,
                  context.attribute("namespace").orElse("##any"),
                  context.target(),
                  context.attribute("processContents").orElse("strict").equals("strict")));
      case "group" -> {
        Place place = context.place();
        yield context
            .attribute("ref")
            .map(ref -> new Particle.GroupRef(context.resolve(ref), occurrence, place));
      }
      default -> Optional.empty();
    };
  }

  private Particle group(Particle.Order order, Occurrence occurrence) throws DocumentException {
    List<Particle> particles = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      particle().ifPresent(particles::add);
    }
    return new Particle.Group(order, particles, occurrence);
  }

  private Particle elementUse() throws DocumentException {
    ElementAttributes given = ElementAttributes.of(cursor);
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
        name,
        type,
        ElementAttributes.isTrue(given.nillable),
        ElementAttributes.isTrue(given.isAbstract),
        substitutes,
        Optional.ofNullable(given.preset),
        Optional.ofNullable(given.fixed),
        documentation,
        place);
  }
}
