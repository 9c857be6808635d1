package org.mapsel.core.link;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.ElementDeclaration;
import org.mapsel.core.declare.Particle;
import org.mapsel.core.declare.Particle.Order;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shape.OneOf.Reason;
import org.mapsel.core.shape.Wire;

/**
 * Content models to fields. A plain sequence lies flat in the record around it; a choice becomes
 * one field with alternatives; an optional or repeated sequence becomes one field that holds its
 * members together, because they come and go together.
 */
final class Particles {

  private static final String ANY_FIELD = "any";

  private final ShapeBuilder builder;

  Particles(ShapeBuilder builder) {
    this.builder = builder;
  }

  void flatten(ShapeId owner, Particle particle, FieldList fields) {
    new Flattening(owner).add(particle, "group", fields);
  }

  /** One record's content; knows which named groups are open, since they must not recur. */
  private final class Flattening {

    /** So many particles make more fields than anybody could look through. */
    private static final int MOST = 20_000;

    private final ShapeId owner;
    private final Set<Name> openGroups = new HashSet<>();
    private int followed;

    Flattening(ShapeId owner) {
      this.owner = owner;
    }

    void add(Particle particle, String groupName, FieldList fields) {
      if (particle.occurrence().max() == 0 || followed > MOST) {
        return;
      }
      followed++;
      if (followed > MOST) {
        builder
            .findings()
            .add(
                Finding.error(
                    "XSD_CONTENT_ENDLESS", "name", owner.name(), "limit", String.valueOf(MOST)));
        return;
      }
      switch (particle) {
        case Particle.Element element ->
            fields.add(builder.elementField(element.element(), element.occurrence(), owner));
        case Particle.ElementRef ref -> fields.add(reference(ref));
        case Particle.Any any -> fields.add(wildcard(any));
        case Particle.GroupRef ref -> addReferenced(ref, fields);
        case Particle.Group group -> addGroup(group, groupName, fields);
      }
    }

    /** A global element, or one of those that may stand in for it. */
    private Field reference(Particle.ElementRef ref) {
      ElementDeclaration element = builder.declarations().elements().get(ref.name());
      if (element == null) {
        if (!BuiltInTypes.isXsd(ref.name().namespace())) {
          builder.missing("XSD_ELEMENT_MISSING", ref.name(), ref.place());
        }
        return Field.of(
            ref.name().local(), builder.open(), ref.occurrence(), new Wire.XmlElement(ref.name()));
      }
      ShapeId id = new ShapeId(ref.name().namespace(), "~" + ref.name().local());
      if (!builder.has(id)) {
        List<ElementDeclaration> substitutes = builder.derivations().substitutesOf(ref.name());
        if (substitutes.isEmpty()) {
          return builder.elementField(element, ref.occurrence(), inPlace(element));
        }
        builder.add(substitution(id, element, substitutes));
      }
      return Field.of(element.name().local(), id, ref.occurrence(), new Wire.Group());
    }

    /** One of the elements that may stand in a place; the same wherever one points to its head. */
    private Shape substitution(
        ShapeId id, ElementDeclaration head, List<ElementDeclaration> substitutes) {
      Field declared = builder.elementField(head, Occurrence.ONE, inPlace(head));
      FieldList alternatives = new FieldList();
      if (!head.isAbstract()) {
        alternatives.add(declared);
      }
      for (ElementDeclaration substitute : substitutes) {
        alternatives.add(builder.elementField(substitute, Occurrence.ONE, inPlace(substitute)));
      }
      return new Shape.OneOf(
          id,
          alternatives.toList(),
          Reason.SUBSTITUTION,
          head.isAbstract() ? Optional.of(declared) : Optional.empty());
    }

    private static ShapeId inPlace(ElementDeclaration global) {
      return new ShapeId(global.name().namespace(), "");
    }

    private Field wildcard(Particle.Any any) {
      return Field.of(ANY_FIELD, builder.open(), any.occurrence(), builder.wildcards().wire(any));
    }

    private void addReferenced(Particle.GroupRef ref, FieldList fields) {
      Particle named = builder.declarations().groups().get(ref.name());
      if (named == null) {
        builder.missing("XSD_GROUP_MISSING", ref.name(), ref.place());
      } else if (!openGroups.add(ref.name())) {
        builder
            .findings()
            .add(
                Finding.error("XSD_GROUP_CIRCULAR", "name", ref.name().toString()).at(ref.place()));
      } else {
        add(occurring(named, ref.occurrence()), ref.name().local(), fields);
        openGroups.remove(ref.name());
      }
    }

    private void addGroup(Particle.Group group, String groupName, FieldList fields) {
      List<Particle> members = group.particles();
      boolean once = group.occurrence().equals(Occurrence.ONE);
      if (members.size() == 1) {
        add(occurring(members.get(0), group.occurrence()), groupName, fields);
      } else if (group.order() == Order.CHOICE) {
        addCombined(group, members, groupName.equals("group") ? "choice" : groupName, fields);
      } else if (once) {
        members.forEach(member -> add(member, "group", fields));
      } else if (!members.isEmpty()) {
        addCombined(group, members, groupName, fields);
      }
    }

    private void addCombined(
        Particle.Group group, List<Particle> members, String name, FieldList fields) {
      if (members.isEmpty()) {
        return;
      }
      ShapeId id = builder.add(new Shape.Record(newId(name), List.of()));
      FieldList combined = new FieldList();
      boolean choice = group.order() == Order.CHOICE;
      for (Particle member : members) {
        // A plain sequence is one alternative of a choice as a whole.
        Optional<Particle.Group> whole = choice ? asWhole(member) : Optional.empty();
        if (whole.isPresent()) {
          String wholeName = member instanceof Particle.GroupRef ref ? ref.name().local() : "group";
          addCombined(whole.get(), whole.get().particles(), wholeName, combined);
        } else {
          add(member, "group", combined);
        }
      }
      Shape shape =
          choice
              ? new Shape.OneOf(id, combined.toList(), Reason.CHOICE)
              : new Shape.Record(id, combined.toList());
      Occurrence occurrence =
          choice && members.stream().anyMatch(member -> member.occurrence().min() == 0)
              ? group.occurrence().optional()
              : group.occurrence();
      fields.add(Field.of(name, builder.replace(shape), occurrence, new Wire.Group()));
    }

    /** A type's own content and that of its base may both have groups, so some ids are taken. */
    private ShapeId newId(String name) {
      int number = 1;
      ShapeId id = owner.inner("~" + name + number);
      while (builder.has(id)) {
        number++;
        id = owner.inner("~" + name + number);
      }
      return id;
    }

    private Optional<Particle.Group> asWhole(Particle member) {
      Particle named = member;
      if (member instanceof Particle.GroupRef ref) {
        Particle declared = builder.declarations().groups().get(ref.name());
        // A group that is open already is left to be found circular.
        named =
            declared == null || openGroups.contains(ref.name())
                ? member
                : occurring(declared, ref.occurrence());
      }
      return named instanceof Particle.Group group
              && group.order() != Order.CHOICE
              && group.particles().size() > 1
          ? Optional.of(group)
          : Optional.empty();
    }

    private Particle occurring(Particle particle, Occurrence outer) {
      if (outer.equals(Occurrence.ONE)) {
        return particle;
      }
      Occurrence both = particle.occurrence().times(outer);
      return switch (particle) {
        case Particle.Element element -> new Particle.Element(element.element(), both);
        case Particle.ElementRef ref -> new Particle.ElementRef(ref.name(), both, ref.place());
        case Particle.Group group -> new Particle.Group(group.order(), group.particles(), both);
        case Particle.GroupRef ref -> new Particle.GroupRef(ref.name(), both, ref.place());
        case Particle.Any any ->
            new Particle.Any(both, any.namespaces(), any.target(), any.strict());
      };
    }
  }
}
