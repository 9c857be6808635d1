package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.intake.Description;
import org.mapsel.core.verify.Sample;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Plays described services until it is ended. */
@Command(
    name = "stand-in",
    description =
        "Play described services, with recorded or made-up answers, over their protocols.")
final class StandInCommand implements Callable<Integer> {

  private final Console console;

  @Parameters(arity = "1..*", paramLabel = "SOURCE", description = "Files or addresses.")
  private List<String> sources = List.of();

  @Option(
      names = "--port",
      description = "The port on loopback; a free one if 0 (${DEFAULT-VALUE}).")
  private int port = 7310;

  @Option(
      names = "--samples",
      paramLabel = "FOLDER",
      description = "Recorded answers, a JSON file each (docs/formats/sample.schema.json).")
  private @Nullable Path samples;

  StandInCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    List<Description> descriptions =
        sources.stream().map(source -> Choice.whole(console, source)).toList();
    List<Sample> recorded = samples == null ? List.of() : SampleFiles.read(console, samples);
    try (StandInServer server = StandInServer.start(port, descriptions, recorded, console)) {
      server.tell();
      server.awaitEnd();
    } catch (IOException e) {
      throw new CommandFailure("Port " + port + " cannot be listened on: " + e.getMessage());
    }
    return Console.DONE;
  }
}
