package org.mapsel.cli;

import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Takes an app file into the running server. */
@Command(name = "import", description = "Take an app file into the running server.")
final class ImportCommand implements Callable<Integer> {

  private static final JsonMapper JSON = new JsonMapper();

  private final Console console;

  @Parameters(paramLabel = "FILE", description = "The app as JSON.")
  private Path file = Path.of("");

  @Option(
      names = "--service",
      paramLabel = "NAME=ID",
      description = "The service of the server to use for one of the file; once a service.")
  private Map<String, String> services = Map.of();

  @Option(names = "--port", description = "The port of the server (${DEFAULT-VALUE}).")
  private int port = 7300;

  @Option(
      names = "--password",
      defaultValue = "${env:MAPSEL_PASSWORD:-}",
      description = "The password of the workspace, if it has one; better in MAPSEL_PASSWORD.")
  private String password = "";

  ImportCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    ObjectNode request = JSON.createObjectNode();
    request.set("file", AppArgument.json(file));
    ObjectNode chosen = request.putObject("services");
    services.forEach(chosen::put);
    JsonNode made =
        JSON.readTree(new ServerAccess(port, password).post("/api/app-files", request.toString()));
    console
        .out()
        .println(
            made.path("name").asString()
                + ": http://localhost:"
                + port
                + "/apps/"
                + made.path("id").asString()
                + "/releases");
    return Console.DONE;
  }
}
