package org.mapsel.core.appfile;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Format 5 has no drafts as sources, which never held anything: what was filled from one is empty.
 */
final class FromFourToFive implements AppFile.Upgrade {

  @Override
  public JsonNode upgraded(JsonNode before) {
    ObjectNode after = (ObjectNode) before.deepCopy();
    empty(after);
    return after.put(AppFile.NUMBER, 5);
  }

  private static void empty(JsonNode node) {
    if (node instanceof ObjectNode object) {
      List<String> drafts = new ArrayList<>();
      object.forEachEntry(
          (name, inside) -> {
            if (isDraft(inside)) {
              drafts.add(name);
            } else {
              empty(inside);
            }
          });
      object.remove(drafts);
    } else if (node instanceof ArrayNode array) {
      for (int i = array.size() - 1; i >= 0; i--) {
        // A parameter is there only together with what fills it.
        if (isDraft(array.get(i).path("from"))) {
          array.remove(i);
        } else {
          empty(array.get(i));
        }
      }
    }
  }

  /** Whether a source is a draft, or derived from one. */
  private static boolean isDraft(JsonNode source) {
    String kind = source.path("kind").asString("");
    return kind.equals("draft") && source.has("form")
        || kind.equals("derived") && isDraft(source.path("record"));
  }
}
