package org.mapsel.core.read.openapi;

import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.document.DataNode;

/** Schemas that give themselves a plain name (JSON Schema 2020-12 core, section 8.2.2). */
final class Anchors {

  private Anchors() {}

  static Map<String, DataNode> in(DataNode root) {
    Map<String, DataNode> found = new HashMap<>();
    Set<DataNode> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    Deque<DataNode> left = new ArrayDeque<>();
    left.add(root);
    while (!left.isEmpty()) {
      DataNode node = left.poll();
      if (seen.add(node)) {
        node.findText("$anchor").ifPresent(name -> found.putIfAbsent(name, node));
        left.addAll(node.items());
      }
    }
    return found;
  }
}
