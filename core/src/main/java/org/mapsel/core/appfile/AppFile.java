package org.mapsel.core.appfile;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Apps as JSON and back. */
public final class AppFile {

  /** The format that is written. Formats before 2 did not say their number. */
  public static final int FORMAT = 5;

  static final String NUMBER = "format";

  /** What brings a format to the next one, the first from format 1 to 2. */
  private static final List<Upgrade> UPGRADES =
      List.of(
          new FromOneToTwo(), new FromTwoToThree(), new FromThreeToFour(), new FromFourToFive());

  private static final ObjectWriter PRETTY =
      JsonMapper.builder()
          .defaultPrettyPrinter(
              new DefaultPrettyPrinter()
                  .withObjectIndenter(new DefaultIndenter("  ", "\n"))
                  .withArrayIndenter(new DefaultIndenter("  ", "\n")))
          .build()
          .writerWithDefaultPrettyPrinter();

  private AppFile() {}

  /** The app in the current format, its members in a fixed order. */
  public static ObjectNode write(App app) {
    return AppWriter.write(app);
  }

  /** The app together with where its services are described, to be read in another workspace. */
  public static ObjectNode write(App app, List<ServiceDescription> descriptions) {
    ObjectNode file = write(app);
    Descriptions.add(file, descriptions);
    return file;
  }

  /** A file as it is handed on: a member a line, so that versions can be compared line by line. */
  public static String text(JsonNode file) {
    return PRETTY.writeValueAsString(file) + "\n";
  }

  /** The app; findings say what cannot be understood, and where in the JSON. */
  public static Outcome<App> read(JsonNode json) {
    return read(json, AppReader::read);
  }

  /** What the file tells of the services that its app uses, in its order. */
  public static Outcome<List<ServiceDescription>> descriptions(JsonNode json) {
    return read(json, Descriptions::read);
  }

  /**
   * The file with its services called as another workspace calls them.
   *
   * @param to by the id of the service in the file
   */
  public static JsonNode moved(JsonNode json, Map<String, App.ServiceUse> to) {
    return Descriptions.moved(json, to);
  }

  private static <T> Outcome<T> read(JsonNode json, Function<Json, T> reader) {
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
      return Outcome.of(reader.apply(new Json(current, "")));
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
