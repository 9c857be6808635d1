package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;

/** Simple types (JSON Schema 2020-12 validation, section 6.1 to 6.3). */
final class Scalars {

  static final Set<String> NAMES = Set.of("string", "integer", "number", "boolean", "file");
  private static final Set<String> OF_TEXT = Set.of("pattern", "minLength", "maxLength");
  private static final Set<String> OF_NUMBERS =
      Set.of("minimum", "maximum", "exclusiveMinimum", "exclusiveMaximum", "multipleOf");

  /** A step of more digits is passed over. */
  private static final Pattern STEP =
      Pattern.compile("(?=.*[1-9])\\d{1,20}(\\.\\d{1,20})?([eE]-?\\d)?");

  private Scalars() {}

  static boolean isScalar(DataNode node) {
    return !node.has("$ref")
        && (NAMES.contains(SchemaTypes.typeName(node))
            || SchemaTypes.typeName(node).isEmpty()
                && !node.has("properties")
                && typeOf(node).isPresent());
  }

  /** The type that a schema without one must mean. */
  static Optional<String> typeOf(DataNode node) {
    List<DataNode> allowed = new ArrayList<>(node.items("enum"));
    node.find("const").ifPresent(allowed::add);
    for (DataNode one : allowed) {
      switch (one.kind()) {
        case STRING:
          return Optional.of("string");
        case BOOLEAN:
          return Optional.of("boolean");
        case NUMBER:
          return Optional.of(one.text().matches("-?\\d+") ? "integer" : "number");
        default:
          break;
      }
    }
    if (node.names().stream().anyMatch(OF_TEXT::contains)
        || node.has("format") && !ScalarFormats.isNumeric(node.text("format"))) {
      return Optional.of("string");
    }
    return node.names().stream().anyMatch(OF_NUMBERS::contains) || node.has("format")
        ? Optional.of("number")
        : Optional.empty();
  }

  static DataType.Form read(DataNode node, String type) {
    String format = node.text("format");
    ScalarType scalar = ScalarFormats.typeOf(type, format, node.text("contentEncoding"));
    return new DataType.Simple(scalar, format.isEmpty() ? type : format, facets(node));
  }

  private static Facets facets(DataNode node) {
    if (!Keywords.any(node, Keywords.FACETS)) {
      return Facets.NONE;
    }
    List<String> allowed =
        node.items("enum").stream().filter(one -> !one.isNull()).map(DataNode::text).toList();
    if (allowed.isEmpty()) {
      allowed = node.find("const").flatMap(SchemaTypes::simple).map(List::of).orElse(List.of());
    }
    // Until 3.0 the exclusive keywords only said how to take the plain ones.
    boolean openBelow = node.isTrue("exclusiveMinimum");
    boolean openAbove = node.isTrue("exclusiveMaximum");
    Optional<String> least = number(node, "minimum");
    Optional<String> most = number(node, "maximum");
    Facets facets =
        new Facets(
            allowed,
            openBelow ? Optional.empty() : least,
            openAbove ? Optional.empty() : most,
            openBelow ? least : number(node, "exclusiveMinimum"),
            openAbove ? most : number(node, "exclusiveMaximum"),
            length(node, "minLength"),
            length(node, "maxLength"),
            Optional.empty(),
            Optional.empty(),
            number(node, "multipleOf").filter(text -> STEP.matcher(text).matches()),
            node.findText("pattern").map(List::of).orElse(List.of()));
    return facets.equals(Facets.NONE) ? Facets.NONE : facets;
  }

  private static Optional<String> number(DataNode node, String keyword) {
    return node.find(keyword)
        .filter(value -> value.kind() == DataNode.Kind.NUMBER)
        .map(DataNode::text);
  }

  private static Optional<Integer> length(DataNode node, String keyword) {
    return node.findText(keyword).filter(text -> text.matches("\\d{1,9}")).map(Integer::valueOf);
  }

  /** The type that holds the values of all of several. */
  static DataType.Form union(List<DataNode> members) {
    List<String> types =
        members.stream()
            .map(
                node ->
                    SchemaTypes.typeName(node).isEmpty()
                        ? typeOf(node).orElse("string")
                        : SchemaTypes.typeName(node))
            .distinct()
            .toList();
    if (types.size() == 1) {
      List<String> allowed = new ArrayList<>();
      boolean closed = true;
      for (DataNode member : members) {
        Facets facets = facets(member);
        closed &= !facets.enumeration().isEmpty();
        allowed.addAll(facets.enumeration());
      }
      String format = members.get(0).text("format");
      boolean same = members.stream().allMatch(member -> member.text("format").equals(format));
      String common = same ? format : "";
      return new DataType.Simple(
          ScalarFormats.typeOf(types.get(0), common, ""),
          common.isEmpty() ? types.get(0) : common,
          closed ? Facets.oneOf(allowed.stream().distinct().toList()) : Facets.NONE);
    }
    String widest =
        types.contains("string") ? "string" : types.contains("number") ? "number" : types.get(0);
    return new DataType.Simple(ScalarFormats.typeOf(widest, "", ""), widest, Facets.NONE);
  }
}
