package org.mapsel.bench;

import com.networknt.schema.Error;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.xml.stream.XMLStreamException;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.FirstValues;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.IncomingRequest;
import org.mapsel.core.serve.Recorded;
import org.mapsel.core.serve.Served;
import org.mapsel.core.serve.StandIn;
import org.mapsel.core.service.Address;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.SchemaValidation;
import org.mapsel.core.value.RecordValue;

/**
 * Plays every description in a folder and asks each of its operations: whether it knows what it is
 * asked, whether our own readers understand the answer, and whether readers that are not ours do:
 * the JDK's validator for SOAP, one of JSON Schema for OpenAPI, Olingo for entities. Prints the
 * counts and everything that went wrong.
 */
public final class CorpusStandIns {

  private static final Stamp STAMP = new Stamp(Instant.EPOCH, "corpus", new byte[16]);

  private final Tally tally = new Tally();
  private final int most;

  private CorpusStandIns(int most) {
    this.most = most;
  }

  /** The folder, and how many operations of a description are asked at most. */
  public static void main(String[] args) throws IOException {
    CorpusStandIns all =
        new CorpusStandIns(args.length > 1 ? Integer.parseInt(args[1]) : Integer.MAX_VALUE);
    for (Path file : Documents.in(Path.of(args[0]))) {
      all.document(file);
    }
    all.tally.print();
  }

  private void document(Path file) throws IOException {
    SourceText source = Documents.source(file);
    Optional<Description> read = Documents.read(file);
    if (read.isEmpty()) {
      tally.count("documents that describe no service");
      return;
    }
    tally.count("documents played");
    Service described = read.get().service();
    StandIn standIn = new StandIn(described, Recorded.NOTHING);
    Service service = Documents.played(described);
    Optional<SchemaValidation> schemas = Optional.empty();
    try {
      schemas = Optional.of(SchemaValidation.of(read.get()));
    } catch (Exception e) {
      tally.count("documents without schemas that the JDK's validator takes");
    }
    Judges judges = new Judges(schemas, openApi(source), entities(source));
    int asked = 0;
    for (Operation operation : service.operations()) {
      for (OperationWire wire : operation.wires()) {
        if (asked++ < most && standIn.endpoints().contains(wire.endpoint())) {
          try {
            ask(file, service, standIn, operation, wire, judges);
            if (Address.of(wire).filter(a -> a.method().equals("DELETE")).isPresent()) {
              // What was deleted is gone; nothing else is asked of the same one.
              standIn = new StandIn(described, Recorded.NOTHING);
            }
          } catch (RuntimeException e) {
            tally.count("operations that broke something");
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
      Judges judges) {
    String name = file + " " + operation.id() + " " + wire.endpoint();
    RecordValue parameters = FirstValues.of(service, operation, SampleMaker.Extent.REQUIRED);
    Outcome<Request> request =
        Caller.request(service, operation, wire.endpoint(), parameters, Access.NONE, STAMP);
    if (request.value().isEmpty()) {
      tally.count("operations whose request could not be made");
      return;
    }
    Optional<IncomingRequest> incoming = IncomingRequest.of(request.get());
    if (incoming.isEmpty()) {
      tally.count("operations whose address is none");
      return;
    }
    Served served = standIn.answer(incoming.get());
    if (served.operation().isEmpty()) {
      tally.count("operations that were not known again");
      System.out.println(name + ": not known: " + text(served));
      return;
    }
    if (!served.operation().get().equals(operation.id())) {
      tally.count("operations taken for another one");
      System.out.println(name + ": taken for " + served.operation().get());
      return;
    }
    Outcome<Answer> answer = Caller.answer(service, operation, wire, served.response(), Set.of());
    if (!(answer.value().orElse(null) instanceof Answer.Returned)) {
      tally.count("operations answered with a refusal, or not understood");
      System.out.println(name + ": " + text(served) + " " + FindingText.lines(answer.findings()));
      return;
    }
    tally.count("operations answered and understood");
    if (served.response().body().length > 0) {
      judge(name, wire, served.response(), judges);
    }
  }

  /** Readers that are not ours, as far as they take the document. */
  private record Judges(
      Optional<SchemaValidation> xml,
      Optional<OpenApiSchemas> json,
      Optional<EntityPayloads> entities) {}

  private Optional<OpenApiSchemas> openApi(SourceText source) {
    try {
      return OpenApiSchemas.of(source);
    } catch (RuntimeException e) {
      tally.count("OpenAPI documents that the validator of JSON Schema does not take");
      return Optional.empty();
    }
  }

  private Optional<EntityPayloads> entities(SourceText source) {
    if (!source.address().contains("/odata/")) {
      return Optional.empty();
    }
    try {
      return Optional.of(EntityPayloads.of(source));
    } catch (XMLStreamException | RuntimeException e) {
      tally.count("metadata documents that Olingo does not take");
      return Optional.empty();
    }
  }

  private void judge(String name, OperationWire wire, Response response, Judges judges) {
    String kind = "answers";
    try {
      switch (wire) {
        case OperationWire.Soap soap -> {
          if (soap.style() == OperationWire.Style.DOCUMENT && judges.xml().isPresent()) {
            kind = "SOAP answers";
            judges.xml().get().validateBody(response.body());
            tally.count("SOAP answers valid");
          }
        }
        case OperationWire.Rest rest -> {
          Optional<List<Error>> errors = judges.json().flatMap(all -> all.errors(rest, response));
          kind = "OpenAPI answers";
          if (errors.isPresent() && !errors.get().isEmpty()) {
            throw new IllegalArgumentException(errors.get().toString());
          } else if (errors.isPresent()) {
            tally.count("OpenAPI answers valid");
          }
        }
        case OperationWire.Entities entities -> {
          kind = "entity answers";
          if (judges.entities().isPresent() && judges.entities().get().read(entities, response)) {
            tally.count("entity answers valid");
          }
        }
        case OperationWire.Http http -> {}
      }
    } catch (Exception e) {
      tally.count(kind + " not valid");
      System.out.println(name + ": not valid: " + e);
    }
  }

  private static String text(Served served) {
    String text = new String(served.response().body(), StandardCharsets.UTF_8);
    return text.length() > 300 ? text.substring(0, 300) : text;
  }
}
