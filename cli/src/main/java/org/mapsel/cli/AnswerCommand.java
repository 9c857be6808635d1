package org.mapsel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Prints the values that a recorded answer holds. */
@Command(name = "answer", description = "Print the values read from a recorded answer.")
final class AnswerCommand implements Callable<Integer> {

  private static final JsonMapper JSON = new JsonMapper();

  private final Console console;

  @Parameters(index = "0", paramLabel = "SOURCE", description = "A file, an address or -.")
  private String source = "";

  @Parameters(index = "1", paramLabel = "OPERATION")
  private String operation = "";

  @Parameters(index = "2", paramLabel = "FILE", description = "A body or a whole HTTP message.")
  private Path file = Path.of("");

  @Option(names = "--endpoint", paramLabel = "ID", description = "The first unless given.")
  private @Nullable String endpoint;

  AnswerCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    Service service = Choice.service(console, source);
    Operation chosen = Choice.operation(service, operation);
    Outcome<Answer> read =
        Caller.answer(service, chosen, Choice.wire(chosen, endpoint), response(), Set.of());
    console.tell(read.findings());
    if (read.value().isEmpty()) {
      return Console.NOT_DONE;
    }
    return switch (read.get()) {
      case Answer.Returned returned -> {
        print(ValueJson.write(returned.value()));
        yield Console.DONE;
      }
      case Answer.Failed failed -> {
        ObjectNode fault = JSON.createObjectNode();
        fault.put("code", failed.code());
        fault.put("reason", failed.reason());
        failed.fault().ifPresent(name -> fault.put("name", name));
        fault.set("detail", ValueJson.write(failed.detail()));
        print(JSON.createObjectNode().set("fault", fault));
        yield Console.WITH_ERRORS;
      }
    };
  }

  private void print(tools.jackson.databind.JsonNode node) {
    console.out().println(JSON.writerWithDefaultPrettyPrinter().writeValueAsString(node));
  }

  private Response response() {
    try {
      return RecordedAnswer.read(Files.readAllBytes(file));
    } catch (IOException e) {
      throw new CommandFailure(file + " cannot be read: " + e);
    }
  }
}
