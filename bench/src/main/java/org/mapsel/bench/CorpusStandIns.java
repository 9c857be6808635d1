package org.mapsel.bench;

import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.Recorded;
import org.mapsel.core.serve.Served;
import org.mapsel.core.serve.StandIn;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.SchemaValidation;
import org.mapsel.core.value.RecordValue;

/**
 * Plays every description in a folder and asks each of its operations: whether it knows what it is
 * asked, whether our own readers understand the answer, and, for SOAP, whether the JDK's validator
 * lets it pass. Prints the counts and everything that went wrong.
 */
public final class CorpusStandIns {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "corpus", new byte[16]);

  private final Map<String, Integer> counts = new TreeMap<>();
  private final int most;

  private CorpusStandIns(int most) {
    this.most = most;
  }

  /** The folder, and how many operations of a description are asked at most. */
  public static void main(String[] args) throws IOException {
    CorpusStandIns all =
        new CorpusStandIns(args.length > 1 ? Integer.parseInt(args[1]) : Integer.MAX_VALUE);
    try (var files = Files.walk(Path.of(args[0]))) {
      for (Path file :
          files
              .filter(path -> path.toString().matches(".*\\.(wsdl|xml|json|ya?ml)"))
              .sorted()
              .toList()) {
        all.document(file);
      }
    }
    all.counts.forEach((name, count) -> System.out.printf("%7d %s%n", count, name));
  }

  private void count(String name) {
    counts.merge(name, 1, Integer::sum);
  }

  private static Outcome<SourceText> fetch(String address) {
    try {
      return Outcome.of(new SourceText(address, Files.readAllBytes(Path.of(URI.create(address)))));
    } catch (IOException | RuntimeException e) {
      return Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address));
    }
  }

  private void document(Path file) throws IOException {
    SourceText source = new SourceText(file.toUri().toString(), Files.readAllBytes(file));
    Optional<Description> read = Intake.read(source, CorpusStandIns::fetch).value();
    if (read.isEmpty()) {
      count("documents that describe no service");
      return;
    }
    count("documents played");
    Service service = read.get().service();
    StandIn standIn = new StandIn(service, Recorded.NOTHING);
    Optional<SchemaValidation> schemas = Optional.empty();
    try {
      schemas = Optional.of(SchemaValidation.of(read.get()));
    } catch (Exception e) {
      count("documents without schemas that the JDK's validator takes");
    }
    int asked = 0;
    for (Operation operation : service.operations()) {
      for (OperationWire wire : operation.wires()) {
        if (asked++ < most && standIn.endpoints().contains(wire.endpoint())) {
          try {
            ask(file, service, standIn, operation, wire, schemas);
          } catch (RuntimeException e) {
            count("operations that broke something");
            System.out.println(file + " " + operation.id() + ": " + e);
          }
        }
      }
    }
  }

  private void ask(
      Path file,
      Service service,
      StandIn standIn,
      Operation operation,
      OperationWire wire,
      Optional<SchemaValidation> schemas) {
    String name = file + " " + operation.id() + " " + wire.endpoint();
    RecordValue parameters = FirstValues.of(service, operation, SampleMaker.Extent.REQUIRED);
    Outcome<Request> request =
        Caller.request(service, operation, wire.endpoint(), parameters, Access.NONE, STAMP);
    if (request.value().isEmpty()) {
      count("operations whose request could not be made");
      return;
    }
    Optional<IncomingRequest> incoming = IncomingRequest.of(request.get());
    if (incoming.isEmpty()) {
      count("operations whose address is none");
      return;
    }
    Served served = standIn.answer(incoming.get());
    if (served.operation().isEmpty()) {
      count("operations that were not known again");
      System.out.println(name + ": not known: " + text(served));
      return;
    }
    if (!served.operation().get().equals(operation.id())) {
      count("operations taken for another one");
      System.out.println(name + ": taken for " + served.operation().get());
      return;
    }
    Outcome<Answer> answer = Caller.answer(service, operation, wire, served.response(), Set.of());
    if (!(answer.value().orElse(null) instanceof Answer.Returned)) {
      count("operations answered with a refusal, or not understood");
      System.out.println(name + ": " + text(served) + " " + FindingText.lines(answer.findings()));
      return;
    }
    count("operations answered and understood");
    if (wire instanceof OperationWire.Soap soap
        && soap.style() == OperationWire.Style.DOCUMENT
        && schemas.isPresent()
        && served.response().body().length > 0) {
      try {
        schemas.get().validateBody(served.response().body());
        count("SOAP answers valid");
      } catch (Exception e) {
        count("SOAP answers not valid");
        System.out.println(name + ": not valid: " + e.getMessage());
      }
    }
  }

  private static String text(Served served) {
    String text = new String(served.response().body(), StandardCharsets.UTF_8);
    return text.length() > 300 ? text.substring(0, 300) : text;
  }
}
