package org.mapsel.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.message.Request;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.OperationWire.Style;
import org.mapsel.core.testing.Requests;
import org.mapsel.core.testing.SchemaValidation;

/**
 * Makes the requests of every operation of every WSDL document in a folder, and validates them with
 * the JDK's validator; prints the counts and every message that is not valid.
 */
public final class CorpusMessages {

  private final Tally tally = new Tally();
  private final List<String> exceptions = new ArrayList<>();

  private CorpusMessages() {}

  public static void main(String[] args) throws IOException {
    CorpusMessages all = new CorpusMessages();
    try (var files = Files.walk(Path.of(args[0]))) {
      for (Path file : files.filter(path -> path.toString().endsWith(".wsdl")).sorted().toList()) {
        try {
          all.document(file);
        } catch (RuntimeException | StackOverflowError e) {
          all.tally.count("documents that ended in a crash");
          all.exceptions.add(file + ": crash: " + e);
        }
      }
    }
    all.tally.print();
    all.exceptions.forEach(System.out::println);
  }

  private void document(Path file) throws IOException {
    Optional<Description> description = Documents.read(file);
    if (description.isEmpty()) {
      tally.count("documents not read");
      return;
    }
    tally.count("documents read");
    Optional<SchemaValidation> schemas = Optional.empty();
    try {
      schemas = Optional.of(validation(description.get()));
    } catch (Exception e) {
      tally.count("documents whose schemas the JDK's validator refuses");
      exceptions.add(file + ": schemas refused: " + e.getMessage());
    }
    for (Operation operation : description.get().service().operations()) {
      for (OperationWire wire : operation.wires()) {
        for (Extent extent : Extent.values()) {
          message(file, description.get(), operation, wire, extent, schemas);
        }
      }
    }
  }

  /** Some sets of schemas are taken only from the files that they stand in. */
  private static SchemaValidation validation(Description description) throws Exception {
    try {
      return SchemaValidation.of(description);
    } catch (Exception inMemory) {
      try {
        return SchemaValidation.ofFiles(description);
      } catch (Exception fromFiles) {
        inMemory.addSuppressed(fromFiles);
        throw inMemory;
      }
    }
  }

  private void message(
      Path file,
      Description description,
      Operation operation,
      OperationWire wire,
      Extent extent,
      Optional<SchemaValidation> schemas) {
    String name = file + " " + operation.id() + " " + wire.endpoint() + " " + extent;
    Outcome<Request> request =
        Requests.make(
            description.service(),
            operation,
            wire.endpoint(),
            SampleMaker.make(description.service().shapes(), operation.input(), extent));
    if (request.value().isEmpty()) {
      tally.count("messages not made");
      exceptions.add(name + ": not made: " + FindingText.lines(request.findings()));
    } else if (!(wire instanceof OperationWire.Soap soap)) {
      tally.count("messages made, plain HTTP: nothing to validate");
    } else if (schemas.isEmpty()) {
      tally.count("messages made, schemas refused");
    } else if (soap.style() == Style.RPC_ENCODED) {
      tally.count("messages made, encoded: no schema says what is valid");
    } else {
      try {
        int validated =
            soap.style() == Style.RPC
                ? SchemaValidation.ofParts(description, operation.input())
                    .validateParts(request.get().body())
                : schemas.get().validateBody(request.get().body());
        int headers = schemas.get().validateHeader(request.get().body());
        if (headers > 0) {
          tally.count("messages with headers that are valid");
        }
        tally.count(validated == 0 ? "messages with nothing in the body" : "messages valid");
      } catch (Exception e) {
        tally.count("messages not valid");
        exceptions.add(name + ": " + e.getMessage());
      }
    }
  }
}
