package org.mapsel.core.read.openapi;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.document.DataNode;

/**
 * Types that name another one as their base and are told apart by a member of it (OpenAPI 3.1,
 * Discriminator Object; Swagger 2.0, Schema Object). The base does not list them, so all declared
 * types of every document are looked through.
 */
final class Subtypes {

  private static final List<String> DECLARED = List.of("/components/schemas", "/definitions");
  static final String DISCRIMINATOR = "discriminator";

  /** Of more kinds than these nobody would choose one from a list. */
  private static final int MAX_KINDS = 100;

  /**
   * @param bases the addresses of what it says it is all of
   */
  private record Named(String name, String target, Located schema, List<String> bases) {}

  /**
   * A type with those derived from it.
   *
   * @param added what each of them has beyond the type, as far as it is known
   */
  private record Line(Named base, Map<String, Named> below, Map<String, DataType> added) {

    Line(Named base, Map<String, Named> below) {
      this(base, below, new HashMap<>());
    }
  }

  private final References references;
  private final SchemaTypes types;
  private final Map<String, DataType> owns = new HashMap<>();
  private final Map<String, Optional<Located>> roots = new HashMap<>();
  private boolean collected;
  private final Map<String, Named> byTarget = new HashMap<>();
  private final Map<DataNode, Named> byNode = new IdentityHashMap<>();
  private final Map<String, List<Named>> derived = new LinkedHashMap<>();

  Subtypes(References references, SchemaTypes types) {
    this.references = references;
    this.types = types;
  }

  /** Each type derived from a schema, with what it adds. */
  Optional<DataType.Variants> of(Located schema) {
    Optional<Named> self = named(schema);
    Optional<Located> root = self.flatMap(this::discriminated);
    if (root.isEmpty()) {
      return Optional.empty();
    }
    Line line = new Line(self.get(), below(self.get(), false));
    List<DataType.Variant> variants = new ArrayList<>();
    for (Named one : line.below().values()) {
      String value = values(one, root.get()).get(0);
      variants.add(new DataType.Variant(one.name(), added(one, line), Optional.of(value)));
    }
    return variants.isEmpty()
        ? Optional.empty()
        : Optional.of(new DataType.Variants(variants, Optional.of(property(root.get())), true));
  }

  /** The member that tells a derived type, with the only value that it has there. */
  Optional<DataType.Member> told(Located schema) {
    Optional<Named> self = named(schema).filter(one -> !one.bases().isEmpty());
    Optional<Located> root = self.flatMap(this::discriminated);
    if (root.isEmpty() || root.get().node() == schema.node()) {
      return Optional.empty();
    }
    String name = property(root.get());
    List<String> values = values(self.get(), root.get());
    return values.size() > 1 || !derivedFrom(self.get()).isEmpty()
        ? Optional.empty()
        : root.get()
            .find("properties")
            .flatMap(properties -> properties.find(name))
            .map(member -> new DataType.Member(name, types.type(member).fixedTo(values.get(0))));
  }

  private List<Named> derivedFrom(Named type) {
    return derived.getOrDefault(type.target(), List.of());
  }

  /**
   * Goes through the kinds of all types that were reached, which lead further, and says of which
   * types there are more than are offered.
   */
  void reach() {
    Set<String> kinds = new HashSet<>();
    int seen = 0;
    while (references.reached().isDiscriminating()
        && seen < references.reached().targets().size()) {
      // What leads further may be declared in documents that were not there before.
      collected = false;
      roots.clear();
      List<Located> reached = List.copyOf(references.reached().targets().values());
      seen = reached.size();
      for (Located schema : reached) {
        Optional<Named> type = named(schema);
        if (type.isPresent() && discriminated(type.get()).isPresent()) {
          below(type.get(), true).values().stream()
              .filter(kind -> kinds.add(kind.target()))
              .forEach(kind -> references.reach(kind.schema()));
        }
      }
    }
  }

  private Optional<Named> named(Located schema) {
    if (!references.reached().isDiscriminating()) {
      return Optional.empty();
    }
    if (!collected) {
      collected = true;
      references.documents().forEach(this::collect);
      references.reached().targets().forEach(this::collect);
    }
    return Optional.ofNullable(byNode.get(schema.node()));
  }

  private void collect(String document, DataNode root) {
    for (String container : DECLARED) {
      root.at(container)
          .ifPresent(
              declared ->
                  declared.forEachMember(
                      (name, node) -> {
                        String step = name.replace("~", "~0").replace("/", "~1");
                        String target = document + "#" + container + "/" + step;
                        collect(target, new Located(node, document));
                      }));
    }
  }

  private void collect(String target, Located schema) {
    if (byNode.containsKey(schema.node())) {
      return;
    }
    List<String> bases = new ArrayList<>();
    eachBase(schema, bases::add);
    Named one = new Named(nameOf(target), target, schema, bases);
    byTarget.put(target, one);
    byNode.put(schema.node(), one);
    bases.forEach(base -> derived.computeIfAbsent(base, none -> new ArrayList<>()).add(one));
  }

  /** The last step of an address; a type that is a document by itself is called like its file. */
  private static String nameOf(String target) {
    String step = SchemaTypes.lastStep(target);
    return step.isEmpty()
        ? SchemaTypes.lastStep(target.substring(0, target.indexOf('#')))
            .replaceFirst("\\.\\w+$", "")
        : step.replace("~1", "/").replace("~0", "~");
  }

  private static boolean tells(DataNode schema) {
    return schema.has(DISCRIMINATOR);
  }

  private static void eachBase(Located schema, Consumer<String> action) {
    for (Located part : schema.items("allOf")) {
      part.node()
          .findText("$ref")
          .ifPresent(reference -> action.accept(References.target(part, reference)));
    }
  }

  /** The type or the base of it that says which member tells types apart. */
  private Optional<Located> discriminated(Named type) {
    Optional<Located> known = roots.get(type.target());
    if (known == null) {
      known = lookUp(type);
      roots.put(type.target(), known);
    }
    return known;
  }

  private Optional<Located> lookUp(Named type) {
    Set<String> seen = new HashSet<>();
    Deque<Named> open = new ArrayDeque<>(List.of(type));
    for (Named next = open.poll(); next != null; next = open.poll()) {
      Optional<Located> known = roots.get(next.target());
      if (known != null && known.isPresent()) {
        return known;
      }
      DataNode node = next.schema().node();
      // What lists its alternatives itself is no base.
      if (tells(node) && !node.has("oneOf") && !node.has("anyOf")) {
        return property(next.schema()).isEmpty() ? Optional.empty() : Optional.of(next.schema());
      }
      for (String base : next.bases()) {
        if (byTarget.containsKey(base) && seen.add(base)) {
          open.add(byTarget.get(base));
        }
      }
    }
    return Optional.empty();
  }

  private static String property(Located root) {
    DataNode discriminator = root.node().get(DISCRIMINATOR);
    return discriminator == null
        ? ""
        : discriminator.isObject() ? discriminator.text("propertyName") : discriminator.text();
  }

  /** What the member says for a type: its name unless others are mapped to it. */
  private static List<String> values(Named type, Located root) {
    List<String> values = new ArrayList<>();
    root.find(DISCRIMINATOR)
        .flatMap(discriminator -> discriminator.find("mapping"))
        .ifPresent(
            mapping ->
                mapping
                    .node()
                    .forEachMember(
                        (value, to) -> {
                          if (to.text().equals(type.name())
                              || References.target(root, to.text()).equals(type.target())) {
                            values.add(value);
                          }
                        }));
    return values.isEmpty() ? List.of(type.name()) : values;
  }

  /** What is derived from a type, the nearest first, and not more than people can choose from. */
  private Map<String, Named> below(Named type, boolean told) {
    Map<String, Named> below = new LinkedHashMap<>();
    Deque<Named> open = new ArrayDeque<>(derivedFrom(type));
    for (Named next = open.poll(); next != null; next = open.poll()) {
      if (!next.target().equals(type.target()) && !below.containsKey(next.target())) {
        if (below.size() == MAX_KINDS) {
          if (told) {
            references.tooManyKinds(type.name(), MAX_KINDS, type.schema().place());
          }
          break;
        }
        below.put(next.target(), next);
        open.addAll(derivedFrom(next));
      }
    }
    return below;
  }

  /** What a type has beyond its base, with that of the types between them. */
  private DataType added(Named type, Line line) {
    DataType known = line.added().get(type.target());
    if (known != null) {
      return known;
    }
    // Whoever derives from itself adds nothing the second time.
    line.added().put(type.target(), own(type));
    List<DataType> parts = new ArrayList<>();
    for (Located part : type.schema().items("allOf")) {
      Optional<String> to = part.node().findText("$ref");
      if (to.isPresent()) {
        String target = References.target(part, to.get());
        if (line.below().containsKey(target)) {
          parts.add(added(line.below().get(target), line));
        } else if (!target.equals(line.base().target())) {
          parts.add(types.type(part));
        }
      }
    }
    parts.add(own(type));
    DataType made = structure(type, parts);
    line.added().put(type.target(), made);
    return made;
  }

  /** What a type says of itself, without the types that it names. */
  private DataType own(Named type) {
    DataType known = owns.get(type.target());
    if (known == null) {
      List<DataType> parts = new ArrayList<>();
      for (Located part : type.schema().items("allOf")) {
        if (!part.node().has("$ref")) {
          parts.add(types.type(part));
        }
      }
      parts.add(types.own(type.schema()));
      known = structure(type, parts);
      owns.put(type.target(), known);
    }
    return known;
  }

  private static DataType structure(Named type, List<DataType> parts) {
    DataType.Form form =
        new DataType.Structure(parts, List.of(), Set.of(), Optional.empty(), Optional.empty());
    return DataType.of(form, type.schema().place());
  }
}
