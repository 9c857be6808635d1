package org.mapsel.core.appfile;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Format 2 had steps without ids: each is called after its reaction and its place. */
final class FromTwoToThree implements AppFile.Upgrade {

  @Override
  public JsonNode upgraded(JsonNode before) {
    ObjectNode after = (ObjectNode) before.deepCopy();
    after.put(AppFile.NUMBER, 3);
    for (JsonNode page : after.path("pages")) {
      for (JsonNode reaction : page.path("reactions")) {
        int place = 0;
        for (JsonNode step : reaction.path("steps")) {
          place++;
          if (step instanceof ObjectNode named) {
            named.put("id", reaction.path("id").asString("") + "Step" + place);
          }
        }
      }
    }
    return after;
  }
}
