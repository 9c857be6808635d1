package org.mapsel.core.read.odata;

import java.util.HashMap;
import java.util.Map;

/** Short names for namespaces, which hold within one document. */
final class Aliases {

  private static final String COLLECTION = "Collection(";

  private final Map<String, String> namespaces = new HashMap<>();

  /** Metadata names the same types all over: each is looked up and kept once. */
  private final Map<String, String> resolved = new HashMap<>();

  void add(String alias, String namespace) {
    if (!alias.isEmpty()) {
      namespaces.put(alias, namespace);
      resolved.clear();
    }
  }

  /** A qualified name or a collection of one, with its namespace in full. */
  String resolve(String name) {
    String known = resolved.get(name);
    if (known == null) {
      known = lookedUp(name);
      resolved.put(name, known);
    }
    return known;
  }

  private String lookedUp(String name) {
    if (name.startsWith(COLLECTION) && name.endsWith(")")) {
      String item = name.substring(COLLECTION.length(), name.length() - 1);
      return COLLECTION + resolve(item) + ")";
    }
    int dot = name.lastIndexOf('.');
    String namespace = dot < 0 ? null : namespaces.get(name.substring(0, dot));
    return namespace == null ? name : namespace + name.substring(dot);
  }

  /** The target of annotations: a name, perhaps with a path of members behind it. */
  String target(String target) {
    int slash = target.indexOf('/');
    return slash < 0
        ? resolve(target)
        : resolve(target.substring(0, slash)) + target.substring(slash);
  }
}
