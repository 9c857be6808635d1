package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Demand;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;

/**
 * JSON Schema as OpenAPI uses it: the dialect of 3.0 and Swagger 2.0 with {@code nullable}, and
 * 2020-12 as 3.1 has it. What a version does not know never stands in it, so all are read alike.
 */
final class SchemaTypes {

  private static final DataType ANYTHING = DataType.of(new DataType.Anything(), Place.in(""));

  private final References references;
  private final Subtypes subtypes;
  private final Map<String, Optional<DataType>> found = new HashMap<>();

  SchemaTypes(References references) {
    this.references = references;
    this.subtypes = new Subtypes(references, this);
  }

  /** The type at an address; null if there is none. */
  @Nullable DataType find(String target) {
    Optional<DataType> known = found.get(target);
    if (known == null) {
      known = references.find(target, Place.in(target)).map(this::type);
      found.put(target, known);
    }
    return known.orElse(null);
  }

  /** Goes through what is derived from the types that were reached. */
  void reachKinds() {
    subtypes.reach();
  }

  /** The type that a schema declares. */
  DataType type(Located schema) {
    DataNode node = schema.node();
    int said = Keywords.of(node);
    Optional<String> reference =
        has(said, Keywords.REFERENCE) ? node.findText("$ref") : Optional.empty();
    boolean values = has(said, Keywords.VALUES);
    return new DataType(
        reference.isPresent() ? reference(schema, reference.get()) : form(schema, said),
        has(said, Keywords.TITLE) ? node.findText("title").orElse("") : "",
        has(said, Keywords.MAYBE_NULL) && saysNull(node),
        values ? node.find("default").flatMap(SchemaTypes::simple) : Optional.empty(),
        values ? node.find("const").flatMap(SchemaTypes::simple) : Optional.empty(),
        node.text("description"),
        has(said, Keywords.HINTS) ? hints(node) : Hints.NONE,
        has(said, Keywords.XML) ? xml(node) : DataType.XmlForm.NONE,
        schema.place());
  }

  private static boolean has(int said, int group) {
    return (said & group) != 0;
  }

  private DataType.Form reference(Located schema, String reference) {
    DataType.Form pointed = new DataType.Ref(References.target(schema, reference));
    if (!Keywords.any(schema.node(), Keywords.STRUCTURE)) {
      return pointed;
    }
    List<DataType> bases = new ArrayList<>();
    bases.add(DataType.of(pointed, schema.place()));
    return structure(schema, bases);
  }

  private DataType.Form form(Located schema, int said) {
    DataNode node = schema.node();
    if (node.isArray() || node.size() == 0) {
      return new DataType.Anything();
    }
    List<DataType> bases = new ArrayList<>();
    if (has(said, Keywords.BASES)) {
      schema.items("allOf").forEach(base -> bases.add(type(base)));
    }
    boolean object = node.has("properties") || node.has("additionalProperties");
    Optional<DataType.Form> variants =
        has(said, Keywords.CHOICE) && bases.isEmpty() && !object
            ? choice(schema)
            : Optional.empty();
    if (variants.isPresent()) {
      return variants.get();
    }
    String type = typeName(node);
    if (!bases.isEmpty() && !object && !node.has("oneOf") && !node.has("anyOf")) {
      boolean alone = type.isEmpty() || type.equals("object");
      return alone
              && bases.size() == 1
              && node.items("required").isEmpty()
              && subtypes.told(schema).isEmpty()
          ? bases.get(0).form()
          : structure(schema, bases);
    }
    return switch (type) {
      case "array" -> list(schema);
      case "string", "integer", "number", "boolean", "file", "null" -> Scalars.read(node, type);
      case "object" ->
          object || !bases.isEmpty() || node.has("oneOf") || node.has("anyOf")
              ? structure(schema, bases)
              : new DataType.Anything(true);
      default -> object || !bases.isEmpty() ? structure(schema, bases) : untyped(schema, type);
    };
  }

  /** A schema without a type says by its other keywords what it is about. */
  private DataType.Form untyped(Located schema, String type) {
    DataNode node = schema.node();
    if (node.has("items")) {
      return list(schema);
    }
    Optional<String> guessed = Scalars.typeOf(node);
    return guessed.isPresent() ? Scalars.read(node, guessed.get()) : new DataType.Anything();
  }

  private DataType.Form list(Located schema) {
    DataType item = schema.find("items").map(this::type).orElse(ANYTHING);
    int most =
        schema.node().findText("maxItems").map(SchemaTypes::count).orElse(Occurrence.UNBOUNDED);
    int least = schema.node().findText("minItems").map(SchemaTypes::count).orElse(0);
    return new DataType.ListOf(
        item, Occurrence.ofList(least, most).holding(least, schema.node().isTrue("uniqueItems")));
  }

  private static int count(String digits) {
    return digits.matches("\\d{1,9}") ? Integer.parseInt(digits) : 0;
  }

  /** What a schema says besides its bases. */
  DataType own(Located schema) {
    return DataType.of(
        new DataType.Structure(
            List.of(), members(schema), required(schema), Optional.empty(), Optional.empty()),
        schema.place());
  }

  private DataType.Form structure(Located schema, List<DataType> bases) {
    List<DataType.Member> members = members(schema);
    if (!bases.isEmpty()) {
      subtypes.told(schema).ifPresent(members::add);
    }
    Optional<DataType.Variants> variants =
        choice(schema)
            .filter(DataType.Variants.class::isInstance)
            .map(DataType.Variants.class::cast)
            .or(() -> subtypes.of(schema));
    return new DataType.Structure(
        bases, members, required(schema), variants, others(schema), demand(schema));
  }

  /** What alternatives ask for that say nothing else. */
  private static Optional<Demand> demand(Located schema) {
    for (String keyword : List.of("oneOf", "anyOf")) {
      List<DataNode> offered = schema.node().items(keyword);
      List<Set<String>> wanted =
          offered.stream()
              .filter(one -> one.names().equals(List.of("required")))
              .map(
                  one ->
                      one.items("required").stream()
                          .map(DataNode::text)
                          .collect(Collectors.toSet()))
              .toList();
      if (!wanted.isEmpty() && wanted.size() == offered.size()) {
        return Optional.of(new Demand(wanted, keyword.equals("oneOf")));
      }
    }
    return Optional.empty();
  }

  private List<DataType.Member> members(Located schema) {
    List<DataType.Member> members = new ArrayList<>();
    schema
        .find("properties")
        .ifPresent(
            properties ->
                properties
                    .node()
                    .forEachMember(
                        (name, type) ->
                            members.add(new DataType.Member(name, type(properties.beside(type))))));
    return members;
  }

  /** Also what a part of it says that has nothing but this to say. */
  private static Set<String> required(Located schema) {
    Set<String> required = new HashSet<>();
    schema.node().items("required").forEach(name -> required.add(name.text()));
    schema.items("allOf").stream()
        .filter(part -> part.node().names().equals(List.of("required")))
        .forEach(part -> part.node().items("required").forEach(name -> required.add(name.text())));
    return required;
  }

  private Optional<DataType> others(Located schema) {
    return schema
        .find("additionalProperties")
        .filter(others -> others.node().isObject() || others.node().isTrue())
        .map(this::type);
  }

  /** What one-of and any-of offer; nothing if they only narrow. */
  private Optional<DataType.Form> choice(Located schema) {
    List<Located> offered = new ArrayList<>(schema.items("oneOf"));
    offered.addAll(schema.items("anyOf"));
    if (offered.isEmpty()) {
      return Optional.empty();
    }
    List<Located> real = offered.stream().filter(SchemaTypes::saysSomething).toList();
    if (real.isEmpty()) {
      return Optional.empty();
    }
    if (real.size() == 1) {
      return Optional.of(type(real.get(0)).form());
    }
    if (real.stream().allMatch(one -> Scalars.isScalar(one.node()))) {
      return Optional.of(Scalars.union(real.stream().map(Located::node).toList()));
    }
    Optional<Located> discriminator = schema.find("discriminator");
    List<DataType.Variant> variants = new ArrayList<>();
    for (Located one : real) {
      variants.add(variant(one, discriminator, variants.size() + 1));
    }
    return Optional.of(
        new DataType.Variants(
            variants, discriminator.flatMap(node -> node.node().findText("propertyName"))));
  }

  private static boolean saysSomething(Located one) {
    DataNode node = one.node();
    return !typeName(node).equals("null")
        && node.names().stream().anyMatch(name -> !name.equals("required") && !name.equals("not"));
  }

  private DataType.Variant variant(Located one, Optional<Located> discriminator, int number) {
    Optional<String> reference = one.node().findText("$ref");
    String last = reference.map(SchemaTypes::lastStep).orElse("");
    String type = typeName(one.node());
    String name =
        !last.isEmpty()
            ? last
            : one.node().findText("title").orElse(type.isEmpty() ? "option" + number : type);
    Optional<String> value =
        discriminator.map(
            node ->
                node.find("mapping")
                    .flatMap(mapping -> mapped(mapping, reference.orElse("")))
                    .orElse(last));
    return new DataType.Variant(name, type(one), value.filter(text -> !text.isEmpty()));
  }

  private static Optional<String> mapped(Located mapping, String reference) {
    for (String value : mapping.node().names()) {
      String to = mapping.node().text(value);
      if (to.equals(reference) || to.equals(lastStep(reference))) {
        return Optional.of(value);
      }
    }
    return Optional.empty();
  }

  static String lastStep(String reference) {
    return reference.substring(
        Math.max(reference.lastIndexOf('/'), reference.lastIndexOf('#')) + 1);
  }

  /** The type that is not null; empty if none or several are named. */
  static String typeName(DataNode node) {
    DataNode type = node.get("type");
    if (type == null) {
      return "";
    }
    if (!type.isArray()) {
      return type.text();
    }
    List<String> real =
        type.items().stream().map(DataNode::text).filter(name -> !name.equals("null")).toList();
    // A number that may also be whole is a number; of other mixtures, text holds everything.
    return real.size() == 1
        ? real.get(0)
        : real.isEmpty()
            ? "null"
            : real.contains("object") || real.contains("array")
                ? ""
                : real.contains("string")
                    ? "string"
                    : real.contains("number") ? "number" : real.get(0);
  }

  private static boolean saysNull(DataNode node) {
    return isNull(node)
        || node.isTrue("nullable")
        || node.isTrue("x-nullable")
        || node.items("type").stream().anyMatch(type -> type.text().equals("null"))
        || node.items("enum").stream().anyMatch(DataNode::isNull)
        || node.items("oneOf").stream().anyMatch(SchemaTypes::isNull)
        || node.items("anyOf").stream().anyMatch(SchemaTypes::isNull);
  }

  private static boolean isNull(DataNode schema) {
    return schema.text("type").equals("null");
  }

  static Optional<String> simple(DataNode node) {
    return node.isObject() || node.isArray() || node.isNull()
        ? Optional.empty()
        : Optional.of(node.text());
  }

  private static Hints hints(DataNode node) {
    Hints hints = Hints.NONE;
    Optional<String> example =
        node.find("example")
            .flatMap(SchemaTypes::simple)
            .or(() -> node.items("examples").stream().findFirst().flatMap(SchemaTypes::simple));
    if (example.isPresent()) {
      hints = hints.withExample(example.get());
    }
    if (node.isTrue("readOnly")) {
      hints = hints.travelling(Hints.Direction.RETURNED_ONLY);
    }
    if (node.isTrue("writeOnly")) {
      hints = hints.travelling(Hints.Direction.SENT_ONLY);
    }
    return node.isTrue("deprecated") ? hints.asDeprecated() : hints;
  }

  private static DataType.XmlForm xml(DataNode node) {
    DataNode xml = Objects.requireNonNull(node.get("xml"));
    return new DataType.XmlForm(
        xml.findText("name"),
        xml.text("namespace"),
        xml.isTrue("attribute") || xml.text("nodeType").equals("attribute"),
        xml.isTrue("wrapped"),
        xml.text("nodeType").equals("text"));
  }
}
