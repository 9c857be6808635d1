package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Apps that are given as files. */
final class AppArgument {

  private static final JsonMapper JSON = new JsonMapper();

  private AppArgument() {}

  static App read(Console console, Path file) {
    try {
      Outcome<App> read = AppFile.read(JSON.readTree(Files.readAllBytes(file)));
      if (read.value().isEmpty()) {
        console.tell(read.findings());
        throw new CommandFailure(file + " is not an app that can be read.");
      }
      return read.get();
    } catch (IOException e) {
      throw new CommandFailure(file + " cannot be read: " + e);
    } catch (JacksonException e) {
      throw new CommandFailure(file + " is not JSON: " + e.getOriginalMessage());
    }
  }
}
