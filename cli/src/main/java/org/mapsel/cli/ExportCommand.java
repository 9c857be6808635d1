package org.mapsel.cli;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes an app of the running server as a file. */
@Command(name = "export", description = "Write an app of the running server as one file.")
final class ExportCommand implements Callable<Integer> {

  private final Console console;

  @Parameters(index = "0", paramLabel = "APP", description = "The app's id, as in its address.")
  private String app = "";

  @Parameters(
      index = "1",
      arity = "0..1",
      paramLabel = "FILE",
      description = "Where to; printed if left out.")
  private @Nullable Path file;

  @Option(names = "--release", paramLabel = "N", description = "A release; else the draft.")
  private @Nullable Long release;

  @Option(
      names = "--without-descriptions",
      description = "Only name the descriptions of services, by address and hash.")
  private boolean bare;

  @Option(names = "--samples", description = "With the named samples and checks of its services.")
  private boolean samples;

  @Option(names = "--port", description = "The port of the server (${DEFAULT-VALUE}).")
  private int port = 7300;

  @Option(
      names = "--password",
      defaultValue = "${env:MAPSEL_PASSWORD:-}",
      description = "The password of the workspace, if it has one; better in MAPSEL_PASSWORD.")
  private String password = "";

  ExportCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    String text =
        new ServerAccess(port, password)
            .get(
                "/api/apps/"
                    + URLEncoder.encode(app, StandardCharsets.UTF_8)
                    + "/file?descriptions="
                    + !bare
                    + "&samples="
                    + samples
                    + (release == null ? "" : "&release=" + release));
    if (file == null) {
      console.out().print(text);
      return Console.DONE;
    }
    try {
      Files.writeString(file, text);
    } catch (IOException e) {
      throw new CommandFailure(file + " cannot be written: " + e);
    }
    return Console.DONE;
  }
}
