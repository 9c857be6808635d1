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
 * types of its document are looked through.
 */
final class Subtypes {

  private static final List<String> DECLARED = List.of("/components/schemas", "/definitions");
  private static final String DISCRIMINATOR = "discriminator";

  /**
   * @param bases the addresses of what it says it is all of
   */
  private record Named(String name, String target, Located schema, List<String> bases) {}

  private final References references;
  private final SchemaTypes types;
  private final Set<String> documents = new HashSet<>();
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
    Map<String, Named> below = below(self.get());
    List<DataType.Variant> variants = new ArrayList<>();
    for (Named one : below.values()) {
      String value = values(one, root.get()).get(0);
      List<DataType> parts = new ArrayList<>();
      add(one, self.get().target(), below, parts, new HashSet<>());
      DataType.Form added =
          new DataType.Structure(parts, List.of(), Set.of(), Optional.empty(), Optional.empty());
      DataType type = DataType.of(added, one.schema().place());
      variants.add(new DataType.Variant(one.name(), type, Optional.of(value)));
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

  private Optional<Named> named(Located schema) {
    if (documents.add(schema.document())) {
      DECLARED.forEach(
          container ->
              references
                  .find(schema.document() + "#" + container, schema.place())
                  .filter(found -> found.node().items().stream().anyMatch(this::tells))
                  .ifPresent(found -> collect(container, found)));
    }
    return Optional.ofNullable(byNode.get(schema.node()));
  }

  private boolean tells(DataNode schema) {
    return schema.has(DISCRIMINATOR);
  }

  private void collect(String container, Located declared) {
    declared
        .node()
        .forEachMember(
            (name, node) -> {
              String step = name.replace("~", "~0").replace("/", "~1");
              Located schema = declared.beside(node);
              List<String> bases = new ArrayList<>();
              eachBase(schema, bases::add);
              Named one =
                  new Named(
                      name, declared.document() + "#" + container + "/" + step, schema, bases);
              byTarget.put(one.target(), one);
              byNode.put(node, one);
              bases.forEach(
                  base -> derived.computeIfAbsent(base, none -> new ArrayList<>()).add(one));
            });
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
    Set<String> seen = new HashSet<>();
    Deque<Named> open = new ArrayDeque<>(List.of(type));
    for (Named next = open.poll(); next != null; next = open.poll()) {
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

  /** Everything that is derived from a type, the nearest first. */
  private Map<String, Named> below(Named type) {
    Map<String, Named> below = new LinkedHashMap<>();
    Deque<Named> open = new ArrayDeque<>(derivedFrom(type));
    for (Named next = open.poll(); next != null; next = open.poll()) {
      if (!next.target().equals(type.target()) && below.put(next.target(), next) == null) {
        open.addAll(derivedFrom(next));
      }
    }
    return below;
  }

  /** Adds what a type has beyond its base, with that of the types between them. */
  private void add(
      Named type, String base, Map<String, Named> below, List<DataType> parts, Set<String> done) {
    if (!done.add(type.target())) {
      return;
    }
    for (Located part : type.schema().items("allOf")) {
      String target =
          part.node().findText("$ref").map(to -> References.target(part, to)).orElse("");
      if (below.containsKey(target)) {
        add(below.get(target), base, below, parts, done);
      } else if (!target.equals(base)) {
        parts.add(types.type(part));
      }
    }
    parts.add(types.own(type.schema()));
  }
}
