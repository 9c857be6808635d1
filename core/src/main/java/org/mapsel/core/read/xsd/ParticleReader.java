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

  private final SchemaContext context;
  private final XmlCursor cursor;

  ParticleReader(SchemaContext context) {
    this.context = context;
    this.cursor = context.cursor();
  }

  ElementDeclaration globalElement() throws DocumentException {
    return element(context.declaredName(context.attribute("name").orElse("")));
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
    Occurrence occurrence = context.occurrence();
    return switch (cursor.local()) {
      case "element" -> Optional.of(elementUse(occurrence));
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

  private Particle elementUse(Occurrence occurrence) throws DocumentException {
    Optional<String> ref = context.attribute("ref");
    if (ref.isPresent()) {
      return new Particle.ElementRef(context.resolve(ref.get()), occurrence, context.place());
    }
    String local = context.attribute("name").orElse("").strip();
    boolean qualified =
        context.attribute("form").map("qualified"::equals).orElse(context.elementsQualified());
    Name name = qualified ? context.targetName(local) : Name.of("", local);
    return new Particle.Element(element(name), occurrence);
  }

  private ElementDeclaration element(Name name) throws DocumentException {
    Place place = context.place();
    TypeReader types = new TypeReader(context);
    Optional<TypeRef> type = types.named("type");
    boolean nillable = context.isTrue("nillable");
    boolean isAbstract = context.isTrue("abstract");
    Optional<Name> substitutes = context.attribute("substitutionGroup").map(context::resolve);
    Optional<String> preset = context.attribute("default");
    Optional<String> fixed = context.attribute("fixed");
    String documentation = "";
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "complexType" -> type = Optional.of(new TypeRef.Inline(types.complexType()));
        case "simpleType" -> type = Optional.of(new TypeRef.Inline(types.simpleType()));
        case "annotation" -> documentation = context.documentation();
        default -> {}
      }
    }
    return new ElementDeclaration(
        name,
        type.orElse(new TypeRef.Anything()),
        nillable,
        isAbstract,
        substitutes,
        preset,
        fixed,
        documentation,
        place);
  }
}
