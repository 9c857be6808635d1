package org.mapsel.core.appfile;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Apps as JSON and back. */
public final class AppFile {

  /** The format that is written. Formats before 2 did not say their number. */
  public static final int FORMAT = 3;

  static final String NUMBER = "format";

  /** What brings a format to the next one, the first from format 1 to 2. */
  private static final List<Upgrade> UPGRADES = List.of(new FromOneToTwo(), new FromTwoToThree());

  private AppFile() {}

  /** The app in the current format, its members in a fixed order. */
  public static ObjectNode write(App app) {
    return AppWriter.write(app);
  }

  /** The app; findings say what cannot be understood, and where in the JSON. */
  public static Outcome<App> read(JsonNode json) {
    int format = json.path(NUMBER).asInt(1);
    if (!json.isObject() || format < 1 || format > FORMAT) {
      return Outcome.failed(
          Finding.error(
              "APPFILE_FORMAT_UNKNOWN",
              "format",
              json.path(NUMBER).asString("none"),
              "newest",
              String.valueOf(FORMAT)));
    }
    try {
      JsonNode current = json;
      for (int i = format; i < FORMAT; i++) {
        current = UPGRADES.get(i - 1).upgraded(current);
      }
      return Outcome.of(AppReader.read(new Json(current, "")));
    } catch (Json.Wrong wrong) {
      return Outcome.failed(
          Finding.error("APPFILE_WRONG", "place", wrong.place(), "expected", wrong.expected()));
    }
  }

  /** Brings JSON from one format to the next. */
  interface Upgrade {
    JsonNode upgraded(JsonNode before);
  }
}
