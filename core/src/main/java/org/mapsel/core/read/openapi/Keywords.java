package org.mapsel.core.read.openapi;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.document.DataNode;

/** Tells at a glance what a schema speaks of: most say nothing but a type and a description. */
final class Keywords {

  /** Whether null may stand. */
  static final int MAYBE_NULL = 1;

  /** For whoever shows or fills it. */
  static final int HINTS = 2;

  /** Members, bases or variants. */
  static final int STRUCTURE = 4;

  /** What narrows a simple type. */
  static final int FACETS = 8;

  /** Another schema that is meant. */
  static final int REFERENCE = 16;

  /** What people call it. */
  static final int TITLE = 32;

  /** Its value where none is given, or the only one. */
  static final int VALUES = 64;

  /** How it stands in XML. */
  static final int XML = 128;

  /** Bases. */
  static final int BASES = 256;

  /** Alternatives. */
  static final int CHOICE = 512;

  private static final Map<String, Integer> GROUPS = new HashMap<>();

  static {
    add(MAYBE_NULL, "nullable", "x-nullable", "type", "enum", "oneOf", "anyOf");
    add(HINTS, "example", "examples", "readOnly", "writeOnly", "deprecated");
    add(STRUCTURE, "properties", "allOf", "oneOf", "anyOf", "required", "additionalProperties");
    add(FACETS, "enum", "const", "minimum", "maximum", "exclusiveMinimum", "exclusiveMaximum");
    add(FACETS, "minLength", "maxLength", "pattern", "multipleOf");
    add(REFERENCE, "$ref");
    add(TITLE, "title");
    add(VALUES, "default", "const");
    add(XML, "xml");
    add(BASES, "allOf");
    add(CHOICE, "oneOf", "anyOf");
  }

  private Keywords() {}

  private static void add(int group, String... names) {
    for (String name : names) {
      GROUPS.merge(name, group, (one, other) -> one | other);
    }
  }

  /** The groups that a schema has keywords of. */
  static int of(DataNode schema) {
    List<String> names = schema.names();
    int all = 0;
    for (int i = 0; i < names.size(); i++) {
      Integer groups = GROUPS.get(names.get(i));
      if (groups != null
          && (groups != MAYBE_NULL
              || !names.get(i).equals("type")
              || saysNull(schema.items().get(i)))) {
        all |= groups;
      }
    }
    return all;
  }

  /** Only a list of types, or the type of nothing else, lets null in. */
  private static boolean saysNull(DataNode type) {
    return type.isArray() || !type.isObject() && type.text().equals("null");
  }

  /** Whether a schema has a keyword of a group. */
  static boolean any(DataNode schema, int group) {
    return (of(schema) & group) != 0;
  }
}
