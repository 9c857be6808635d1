package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.appfile.ServiceDescription;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import org.mapsel.core.verify.Sample;
import org.mapsel.core.verify.SampleFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Apps that are given as files. */
final class AppArgument {

  private static final JsonMapper JSON = new JsonMapper();

  private AppArgument() {}

  /** An app file, as it stands. */
  static JsonNode json(Path file) {
    try {
      return JSON.readTree(Files.readAllBytes(file));
    } catch (IOException e) {
      throw new CommandFailure(file + " cannot be read: " + e);
    } catch (JacksonException e) {
      throw new CommandFailure(file + " is not JSON: " + e.getOriginalMessage());
    }
  }

  static App read(Console console, Path file) {
    return read(console, file, AppFile.read(json(file)));
  }

  /** What the file says of the services that its app uses. */
  static List<ServiceDescription> descriptions(Console console, Path file) {
    return read(console, file, AppFile.descriptions(json(file)));
  }

  /** The samples that go along with the app. */
  static List<Sample> samples(Console console, Path file) {
    return read(console, file, SampleFile.list(json(file)));
  }

  private static <T> T read(Console console, Path file, Outcome<T> read) {
    if (read.value().isEmpty()) {
      console.tell(read.findings());
      throw new CommandFailure(file + " is not an app that can be read.");
    }
    return read.get();
  }
}
