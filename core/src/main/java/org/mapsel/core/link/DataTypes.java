package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.DataType.Anything;
import org.mapsel.core.declare.DataType.Form;
import org.mapsel.core.declare.DataType.ListOf;
import org.mapsel.core.declare.DataType.Member;
import org.mapsel.core.declare.DataType.Ref;
import org.mapsel.core.declare.DataType.Simple;
import org.mapsel.core.declare.DataType.Structure;
import org.mapsel.core.declare.DataType.Variants;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Demand;
import org.mapsel.core.shape.Hints;

/** What declared types mean once every reference is followed and every base is taken in. */
final class DataTypes {

  private static final int MAX_REFERENCES = 64;

  /**
   * A type with nothing left to look up in it but the types of its members.
   *
   * @param target the declared type it is, if it is just that
   */
  record Meaning(
      Optional<String> target,
      Form form,
      boolean nullable,
      Optional<String> preset,
      Optional<String> fixed,
      String documentation,
      Hints hints,
      DataType.XmlForm xml) {}

  private final Function<String, @Nullable DataType> declared;
  private final UnaryOperator<String> ids;
  private final Map<String, Form> merged = new HashMap<>();
  private final Set<String> underWay = new HashSet<>();

  /**
   * @param declared finds a declared type by what references to it say; null if there is none
   * @param ids what its shape is called, from what references say and nothing else, so that it does
   *     not matter which type is asked for first
   */
  DataTypes(Function<String, @Nullable DataType> declared, UnaryOperator<String> ids) {
    this.declared = declared;
    this.ids = ids;
  }

  /** What a declared type amounts to. */
  Meaning declared(String target) {
    return meaning(DataType.of(new Ref(target), Place.in("")));
  }

  /** What the shape of a declared type is called; no other type's is called the same. */
  String idOf(String target) {
    return ids.apply(target);
  }

  /** The last word of the address of a declared type. */
  static String nameOf(String target) {
    String name = target.substring(Math.max(target.lastIndexOf('/'), target.lastIndexOf('#')) + 1);
    return name.isEmpty() ? "type" : name;
  }

  /** What a type amounts to. */
  Meaning meaning(DataType type) {
    Optional<String> target = Optional.empty();
    DataType here = type;
    boolean nullable = type.nullable();
    Optional<String> preset = type.preset();
    Optional<String> fixed = type.fixed();
    String documentation = type.documentation();
    Hints hints = type.hints();
    for (int i = 0; here.form() instanceof Ref ref && i < MAX_REFERENCES; i++) {
      DataType next = declared.apply(ref.target());
      if (next == null) {
        return new Meaning(
            Optional.empty(),
            new Anything(),
            nullable,
            preset,
            fixed,
            documentation,
            hints,
            type.xml());
      }
      target = Optional.of(ref.target());
      here = next;
      DataType pointed = next;
      nullable |= next.nullable();
      preset = preset.or(pointed::preset);
      fixed = fixed.or(pointed::fixed);
      documentation = documentation.isEmpty() ? next.documentation() : documentation;
      hints = hints.over(next.hints());
    }
    Form form = here.form() instanceof Ref ? new Anything() : merged(here.form(), target);
    if (form instanceof Ref ref && merged.containsKey(ref.target())) {
      form = merged.get(ref.target());
    }
    DataType.XmlForm xml = type.xml().equals(DataType.XmlForm.NONE) ? here.xml() : type.xml();
    return new Meaning(target, form, nullable, preset, fixed, documentation, hints, xml);
  }

  private Form merged(Form form, Optional<String> target) {
    if (!(form instanceof Structure structure) || structure.bases().isEmpty()) {
      return form;
    }
    if (target.isEmpty()) {
      return merge(structure);
    }
    Form known = merged.get(target.get());
    if (known == null) {
      if (!underWay.add(target.get())) {
        // A type that is its own base adds nothing to itself.
        return new Structure(
            List.of(),
            structure.members(),
            structure.required(),
            structure.variants(),
            structure.others(),
            structure.demand());
      }
      known = merge(structure);
      underWay.remove(target.get());
      merged.put(target.get(), known);
    }
    return known;
  }

  /** A structure with the members of its bases, or what the bases are if it has no members. */
  private Form merge(Structure structure) {
    Map<String, Member> members = new LinkedHashMap<>();
    Set<String> required = new HashSet<>(structure.required());
    List<DataType.Variant> variants = new ArrayList<>();
    Optional<String> discriminator = Optional.empty();
    Optional<DataType> others = structure.others();
    Optional<Demand> demand = structure.demand();
    Form instead = null;
    for (DataType base : structure.bases()) {
      Form form = meaning(base).form();
      switch (form) {
        case Structure more -> {
          more.members().forEach(member -> put(members, member));
          required.addAll(more.required());
          others = others.or(more::others);
          demand = demand.or(more::demand);
          Optional<Variants> inherited = more.variants().filter(offered -> !offered.derived());
          if (inherited.isPresent() && variants.isEmpty()) {
            variants.addAll(inherited.get().variants());
            discriminator = inherited.get().discriminator();
          }
        }
        case Variants more -> {
          if (variants.isEmpty()) {
            variants.addAll(more.variants());
            discriminator = more.discriminator();
          }
        }
        case Simple simple ->
            instead =
                instead instanceof Simple before
                    ? new Simple(
                        before.type(), before.builtIn(), simple.facets().over(before.facets()))
                    : simple;
        case ListOf list -> instead = list;
        case Ref ref -> {}
        case Anything anything -> {}
      }
    }
    structure.members().forEach(member -> put(members, member));
    if (members.isEmpty() && variants.isEmpty() && instead != null) {
      return instead;
    }
    Optional<Variants> choice =
        structure
            .variants()
            .or(
                () ->
                    variants.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Variants(variants, Optional.empty())));
    if (!variants.isEmpty() && structure.variants().isEmpty()) {
      choice = Optional.of(new Variants(variants, discriminator));
    }
    if (members.isEmpty() && others.isEmpty()) {
      return choice.isPresent() ? choice.get() : new Anything();
    }
    return new Structure(
        List.of(), new ArrayList<>(members.values()), required, choice, others, demand);
  }

  /** What is said last of a member holds, and what was said before where it says nothing. */
  private static void put(Map<String, Member> members, Member member) {
    Member before = members.get(member.name());
    if (before == null) {
      members.put(member.name(), member);
    } else if (before.type().form() instanceof Simple first
        && member.type().form() instanceof Simple last
        && first.type() == last.type()) {
      Simple both = new Simple(last.type(), last.builtIn(), last.facets().over(first.facets()));
      DataType type = member.type().withForm(both);
      boolean held = type.fixed().isEmpty() && before.type().fixed().isPresent();
      members.put(
          member.name(),
          new Member(member.name(), held ? type.fixedTo(before.type().fixed().get()) : type));
    } else if (!(member.type().form() instanceof Anything)) {
      members.put(member.name(), member);
    }
  }
}
