package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.DataType.Member;
import org.mapsel.core.declare.DataType.Ref;
import org.mapsel.core.declare.DataType.Simple;
import org.mapsel.core.declare.DataType.Structure;
import org.mapsel.core.declare.DataType.Variant;
import org.mapsel.core.declare.DataType.Variants;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.EdmTypes;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityModel.EnumType;
import org.mapsel.core.service.EntityModel.Navigation;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.EntityModel.StructuredType;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;

/**
 * The types of an entity model as data types. An entity is three: as it comes back, as it is sent
 * to create one, and as it is sent to change one.
 */
final class EntityTypes {

  /** What an entity is wanted for. */
  enum Use {
    RETURNED,
    CREATED,
    CHANGED
  }

  /** More kinds than these nobody chooses from; what they add all together has an end as well. */
  private static final int MOST_VARIANTS = 100;

  private static final int MOST_ADDED = 2_000;

  private static final Place NOWHERE = Place.in("");

  private final boolean old;
  private final Map<String, StructuredType> structured = new LinkedHashMap<>();
  private final Map<String, EnumType> enums = new HashMap<>();
  private final Map<String, String> definitions = new HashMap<>();
  private final Map<String, List<StructuredType>> derived = new HashMap<>();
  private final Set<String> entities = new HashSet<>();
  private final Map<String, EntityLine> lines = new HashMap<>();

  /** What was made of references so far. */
  private final Map<String, DataType> made = new HashMap<>();

  EntityTypes(EntityModel model, boolean old) {
    this.old = old;
    model.entityTypes().forEach(type -> entities.add(type.name()));
    model.entityTypes().forEach(type -> structured.putIfAbsent(type.name(), type));
    model.complexTypes().forEach(type -> structured.putIfAbsent(type.name(), type));
    model.enumTypes().forEach(type -> enums.putIfAbsent(type.name(), type));
    model.typeDefinitions().forEach(type -> definitions.putIfAbsent(type.name(), type.base()));
    for (StructuredType type : structured.values()) {
      type.base().ifPresent(b -> derived.computeIfAbsent(b, k -> new ArrayList<>()).add(type));
    }
  }

  /** A type by what a reference to it says. */
  DataType find(String target) {
    DataType known = made.get(target);
    if (known == null) {
      int mark = target.indexOf('#');
      Use use = Use.valueOf(target.substring(0, mark));
      known = structure(structured.get(target.substring(mark + 1)), use);
      made.put(target, known);
    }
    return known;
  }

  /** A type is called by its name, and what is sent of it by what it is sent for. */
  static String idOf(String target) {
    int mark = target.indexOf('#');
    String name = target.substring(mark + 1);
    return switch (Use.valueOf(target.substring(0, mark))) {
      case RETURNED -> name;
      case CREATED -> name + " created";
      case CHANGED -> name + " changed";
    };
  }

  /** A reference to a structured type; one that is no entity is the same for every use. */
  private Ref ref(String name, Use use) {
    return new Ref((entities.contains(name) ? use : Use.RETURNED) + "#" + name);
  }

  boolean isEntity(String type) {
    return entities.contains(EntityModel.itemType(type));
  }

  /** The type as it comes back. */
  DataType type(String name) {
    return type(name, Use.RETURNED);
  }

  DataType type(String name, Use use) {
    if (EntityModel.isCollection(name)) {
      return plain(new DataType.ListOf(type(EntityModel.itemType(name), use), Occurrence.ANY));
    }
    String simple = definitions.getOrDefault(name, name);
    Optional<ScalarType> scalar = EdmTypes.find(simple);
    if (scalar.isPresent()) {
      return plain(new Simple(scalar.get(), simple, Facets.NONE));
    }
    if (enums.containsKey(name)) {
      EnumType type = enums.get(name);
      Facets facets = type.flags() ? Facets.NONE : Facets.oneOf(type.members());
      DataType words = plain(new Simple(ScalarType.TEXT, name, facets));
      // Flags may stand together, so that the words alone are not all there is.
      return type.flags() && !type.members().isEmpty()
          ? words.withHints(Hints.NONE.withExample(type.members().getFirst()))
          : words;
    }
    return structured.containsKey(name) ? plain(ref(name, use)) : plain(new DataType.Anything());
  }

  private static DataType plain(DataType.Form form) {
    return DataType.of(form, NOWHERE);
  }

  private DataType structure(StructuredType type, Use use) {
    List<DataType> bases = new ArrayList<>();
    type.base().filter(structured::containsKey).ifPresent(base -> bases.add(plain(ref(base, use))));
    List<Member> members = new ArrayList<>();
    Set<String> required = new HashSet<>();
    boolean entity = entities.contains(type.name());
    if (use == Use.RETURNED && entity && bases.isEmpty()) {
      members.add(etag());
    }
    Set<String> keys = new HashSet<>(type.keys());
    for (Property property : type.properties()) {
      if (!isFile(property) && (use != Use.CHANGED || !keys.contains(property.name()))) {
        members.add(new Member(property.name(), property(property, use)));
        if (isRequired(property, use)) {
          required.add(property.name());
        }
      }
    }
    // What is created may bring entities along that are created with it, or name some there are.
    if (use != Use.CHANGED || !entity) {
      for (Navigation navigation : type.navigations()) {
        members.add(new Member(navigation.name(), type(navigation.type(), use)));
      }
    }
    if (entity && !old && use != Use.RETURNED) {
      for (Navigation navigation : type.navigations()) {
        boolean several = EntityModel.isCollection(navigation.type());
        if (!navigation.contained() && (use == Use.CREATED || !several)) {
          members.add(bound(navigation));
        }
      }
    }
    Optional<Variants> variants =
        old || use == Use.CHANGED || !entity ? Optional.empty() : variants(type, use);
    Optional<DataType> others =
        type.open() ? Optional.of(plain(new DataType.Anything())) : Optional.empty();
    DataType made = plain(new Structure(bases, members, required, variants, others));
    return new DataType(
        made.form(),
        "",
        false,
        Optional.empty(),
        Optional.empty(),
        type.documentation(),
        Hints.NONE,
        DataType.XmlForm.NONE,
        NOWHERE);
  }

  /** Entities that there are already, by their addresses (JSON Format 4.0, section 8.5). */
  private static Member bound(Navigation navigation) {
    boolean several = EntityModel.isCollection(navigation.type());
    Simple address = new Simple(ScalarType.TEXT, "Edm.String", Facets.NONE);
    DataType.Form form = several ? new DataType.ListOf(plain(address), Occurrence.ANY) : address;
    DataType type =
        new DataType(
            form,
            "",
            false,
            Optional.empty(),
            Optional.empty(),
            "The address of one that there is already, as in Things(7).",
            Hints.NONE
                .labelled(navigation.name() + ", by address")
                .withExample(last(EntityModel.itemType(navigation.type())) + "(1)"),
            DataType.XmlForm.NONE,
            NOWHERE);
    return new Member(navigation.name() + "@odata.bind", type);
  }

  private static String last(String qualified) {
    return qualified.substring(qualified.lastIndexOf('.') + 1);
  }

  /** What tells one state of an entity from the next, so that nobody's change is lost. */
  private Member etag() {
    DataType text = plain(new Simple(ScalarType.TEXT, "Edm.String", Facets.NONE));
    DataType hidden =
        new DataType(
            text.form(),
            "",
            true,
            Optional.empty(),
            Optional.empty(),
            "Tells this state of the entity from others; sent along when it is changed.",
            Hints.NONE.asHidden().travelling(Hints.Direction.RETURNED_ONLY),
            DataType.XmlForm.NONE,
            NOWHERE);
    return old
        ? new Member(
            "__metadata",
            plain(
                new Structure(
                    List.of(),
                    List.of(new Member("etag", hidden)),
                    Set.of(),
                    Optional.empty(),
                    Optional.empty())))
        : new Member("@odata.etag", hidden);
  }

  private static boolean isRequired(Property property, Use use) {
    return switch (use) {
      // A question may leave any of them out.
      case RETURNED -> false;
      case CREATED ->
          !property.nullable()
              && !EntityModel.isCollection(property.type())
              && property.preset().isEmpty()
              && property.hints().direction() != Hints.Direction.RETURNED_ONLY;
      case CHANGED -> false;
    };
  }

  /** The types derived from this one, the nearest first, with what each adds. */
  private Optional<Variants> variants(StructuredType type, Use use) {
    List<Variant> variants = new ArrayList<>();
    List<StructuredType> open = new ArrayList<>(derived.getOrDefault(type.name(), List.of()));
    Set<String> seen = new HashSet<>(Set.of(type.name()));
    int told = 0;
    while (!open.isEmpty() && variants.size() < MOST_VARIANTS && told < MOST_ADDED) {
      StructuredType next = open.remove(0);
      if (seen.add(next.name())) {
        List<Member> added = new ArrayList<>();
        Set<String> required = new HashSet<>();
        for (StructuredType step : lineBetween(type.name(), next)) {
          for (Property one : step.properties()) {
            added.add(new Member(one.name(), property(one, use)));
            if (isRequired(one, use)) {
              required.add(one.name());
            }
          }
          step.navigations()
              .forEach(one -> added.add(new Member(one.name(), type(one.type(), use))));
        }
        told += added.size();
        variants.add(
            new Variant(
                last(next.name()),
                plain(
                    new Structure(List.of(), added, required, Optional.empty(), Optional.empty())),
                Optional.of("#" + next.name())));
        open.addAll(derived.getOrDefault(next.name(), List.of()));
      }
    }
    return variants.isEmpty()
        ? Optional.empty()
        : Optional.of(new Variants(variants, Optional.of("@odata.type"), true));
  }

  private List<StructuredType> lineBetween(String base, StructuredType type) {
    List<StructuredType> line = new ArrayList<>();
    Set<String> names = new HashSet<>();
    StructuredType here = type;
    while (here != null && !here.name().equals(base) && names.add(here.name())) {
      line.add(here);
      here = here.base().map(structured::get).orElse(null);
    }
    return line.reversed();
  }

  private DataType property(Property property, Use use) {
    DataType type = type(property.type(), use);
    DataType.Form form = type.form();
    if (form instanceof Simple simple) {
      form = new Simple(simple.type(), simple.builtIn(), facets(property).over(simple.facets()));
    }
    return new DataType(
        form,
        "",
        property.nullable() && !EntityModel.isCollection(property.type()),
        property.preset(),
        Optional.empty(),
        property.documentation(),
        property.hints().over(type.hints()),
        DataType.XmlForm.NONE,
        NOWHERE);
  }

  private static Facets facets(Property property) {
    boolean none =
        property.maxLength().isEmpty()
            && property.scale().isEmpty()
            && property.minimum().isEmpty()
            && property.maximum().isEmpty()
            && property.pattern().isEmpty()
            && property.allowed().isEmpty();
    return none
        ? Facets.NONE
        : new Facets(
            property.allowed(),
            property.minimum(),
            property.maximum(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            property.maxLength(),
            Optional.empty(),
            property.scale(),
            Optional.empty(),
            property.pattern().map(List::of).orElse(List.of()));
  }

  /** The properties of a type that hold one simple value, those of its bases among them. */
  List<Property> simpleProperties(String type) {
    return line(type).steps().stream()
        .flatMap(step -> step.properties().stream())
        .filter(property -> type(property.type()).form() instanceof Simple && !isFile(property))
        .toList();
  }

  private static boolean isFile(Property property) {
    return isFile(property.type());
  }

  /** Whether values of a type are files. */
  static boolean isFile(String type) {
    return type.equals("Edm.Stream");
  }

  /** A type with its bases. */
  EntityLine line(String type) {
    EntityLine known = lines.get(type);
    if (known == null) {
      known = EntityLine.of(EntityModel.line(type, this::findEntity));
      lines.put(type, known);
    }
    return known;
  }

  private Optional<StructuredType> findEntity(String name) {
    return entities.contains(name) ? Optional.of(structured.get(name)) : Optional.empty();
  }
}
