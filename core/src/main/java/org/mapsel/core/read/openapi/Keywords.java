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

  private static final Map<String, Integer> GROUPS = new HashMap<>();

  static {
    add(MAYBE_NULL, "nullable", "x-nullable", "type", "enum", "oneOf", "anyOf");
    add(HINTS, "example", "examples", "readOnly", "writeOnly", "deprecated");
    add(STRUCTURE, "properties", "allOf", "oneOf", "anyOf", "required", "additionalProperties");
    add(FACETS, "enum", "const", "minimum", "maximum", "exclusiveMinimum", "exclusiveMaximum");
    add(FACETS, "minLength", "maxLength", "pattern");
  }

  private Keywords() {}

  private static void add(int group, String... names) {
    for (String name : names) {
      GROUPS.merge(name, group, (one, other) -> one | other);
    }
  }

  /** Whether a schema has a keyword of a group. */
  static boolean any(DataNode schema, int group) {
    List<String> names = schema.names();
    for (int i = 0; i < names.size(); i++) {
      Integer groups = GROUPS.get(names.get(i));
      if (groups != null
          && (groups & group) != 0
          && !(names.get(i).equals("type") && !schema.items().get(i).isArray())) {
        return true;
      }
    }
    return false;
  }
}
