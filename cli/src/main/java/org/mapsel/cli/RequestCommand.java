package org.mapsel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Prints the request that a call would send. */
@Command(name = "request", description = "Print the request for an operation.")
final class RequestCommand implements Callable<Integer> {

  private static final int NONCE_BYTES = 16;
  private static final JsonMapper JSON = new JsonMapper();

  private final Console console;

  @Parameters(index = "0", paramLabel = "SOURCE", description = "A file, an address or -.")
  private String source = "";

  @Parameters(index = "1", arity = "0..1", paramLabel = "OPERATION")
  private @Nullable String operation;

  @Option(names = "--endpoint", paramLabel = "ID", description = "The first unless given.")
  private @Nullable String endpoint;

  @Option(names = "--values", paramLabel = "FILE", description = "Parameters as JSON.")
  private @Nullable Path values;

  @Option(names = "--all-optional", description = "Make values for optional parameters too.")
  private boolean allOptional;

  @Option(names = "--every-operation", description = "One JSON object a line for each.")
  private boolean every;

  RequestCommand(Console console) {
    this.console = console;
  }

  @Override
  public Integer call() {
    Service service = Choice.service(console, source);
    if (!every) {
      Operation chosen = Choice.operation(service, operation);
      return one(service, chosen, Choice.wire(chosen, endpoint));
    }
    int status = Console.DONE;
    for (Operation each : service.operations()) {
      if (operation == null || each == Choice.operation(service, operation)) {
        for (OperationWire wire : each.wires()) {
          if (endpoint == null || endpoint.equals(wire.endpoint().text())) {
            status = Math.max(status, guarded(service, each, wire));
          }
        }
      }
    }
    return status;
  }

  private Outcome<Request> request(Service service, Operation chosen, OperationWire wire) {
    byte[] nonce = new byte[NONCE_BYTES];
    new SecureRandom().nextBytes(nonce);
    return Caller.request(
        service,
        chosen,
        wire.endpoint(),
        parameters(service, chosen),
        Access.NONE,
        new Stamp(Instant.now(), UUID.randomUUID().toString(), nonce));
  }

  private RecordValue parameters(Service service, Operation chosen) {
    if (values == null) {
      return FirstValues.of(
          service,
          chosen,
          allOptional ? SampleMaker.Extent.EVERYTHING : SampleMaker.Extent.REQUIRED);
    }
    try {
      JsonNode read = JSON.readTree(Files.readString(values));
      if (!read.isObject()) {
        throw new CommandFailure(values + " must hold one JSON object.");
      }
      return ValueJson.readRecord(read);
    } catch (IOException e) {
      throw new CommandFailure(values + " cannot be read: " + e);
    } catch (JacksonException e) {
      throw new CommandFailure(values + " is not JSON: " + e.getOriginalMessage());
    }
  }

  private int one(Service service, Operation chosen, OperationWire wire) {
    Outcome<Request> made = request(service, chosen, wire);
    console.tell(made.findings());
    if (made.value().isEmpty()) {
      return Console.WITH_ERRORS;
    }
    Request request = made.get();
    console.out().println(request.method() + " " + request.address());
    for (Header header : request.headers()) {
      console.out().println(header.name() + ": " + header.value());
    }
    console.out().println();
    console.out().println(new String(request.body(), StandardCharsets.UTF_8));
    return Console.DONE;
  }

  /** What is wrong with one operation is told, and the others are done all the same. */
  private int guarded(Service service, Operation chosen, OperationWire wire) {
    try {
      return line(service, chosen, wire);
    } catch (RuntimeException unexpected) {
      console.err().println(chosen.id() + " at " + wire.endpoint() + ": " + unexpected);
      return Console.WITH_ERRORS;
    }
  }

  private int line(Service service, Operation chosen, OperationWire wire) {
    Outcome<Request> made = request(service, chosen, wire);
    if (made.value().isEmpty()) {
      console.err().println(chosen.id() + " at " + wire.endpoint() + ":");
      console.tell(made.findings());
      return Console.WITH_ERRORS;
    }
    Request request = made.get();
    ObjectNode node = JSON.createObjectNode();
    node.put("operation", chosen.id().text());
    node.put("endpoint", wire.endpoint().text());
    node.put("method", request.method());
    node.put("address", request.address());
    ObjectNode headers = node.putObject("headers");
    request.headers().forEach(header -> headers.put(header.name(), header.value()));
    node.put("body", new String(request.body(), StandardCharsets.UTF_8));
    console.out().println(JSON.writeValueAsString(node));
    return Console.DONE;
  }
}
