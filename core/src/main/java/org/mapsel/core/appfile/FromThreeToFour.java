package org.mapsel.core.appfile;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Format 4 has a start page and descriptions of services, which may both be missing. */
final class FromThreeToFour implements AppFile.Upgrade {

  @Override
  public JsonNode upgraded(JsonNode before) {
    return ((ObjectNode) before.deepCopy()).put(AppFile.NUMBER, 4);
  }
}
