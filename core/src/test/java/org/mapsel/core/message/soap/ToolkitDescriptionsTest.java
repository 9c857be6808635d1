package org.mapsel.core.message.soap;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.JarURLConnection;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.jar.JarFile;
import org.junit.jupiter.api.Test;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.message.Request;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;
import org.mapsel.core.testing.SchemaValidation;

/**
 * WSDL documents that somebody else wrote to try a toolkit with: are they read, can they be called.
 */
class ToolkitDescriptionsTest {

  private static List<String> wsdls() {
    URL any = ToolkitDescriptionsTest.class.getResource("/wsdl/hello_world.wsdl");
    try {
      JarFile jar = ((JarURLConnection) any.openConnection()).getJarFile();
      return jar.stream()
          .map(entry -> "/" + entry.getName())
          .filter(name -> name.endsWith(".wsdl"))
          .sorted()
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What has no operations of its own: only messages, or parts that are not in the jar. */
  private static final Set<String> WITHOUT_OPERATIONS =
      Set.of(
          "/wsdl/catalog/hello_world_messages.wsdl",
          "/wsdl/catalog/hello_world_services.wsdl",
          "/wsdl/others/hello_world_messages_catalog.wsdl");

  /** Descriptions whose own schemas the JDK's validator refuses. */
  private static final int UNUSABLE_SCHEMAS = 4;

  @Test
  void allAreReadButThoseWithoutSoapAndThoseWithoutTheirParts() {
    Set<String> empty = new TreeSet<>();
    for (String wsdl : wsdls()) {
      Outcome<Description> outcome = Descriptions.read(wsdl);
      if (outcome.value().isEmpty() || outcome.get().service().operations().isEmpty()) {
        empty.add(wsdl);
      }
    }
    assertThat(wsdls()).hasSize(68);
    assertThat(empty).isEqualTo(WITHOUT_OPERATIONS);
  }

  @Test
  void everyRequestMadeFromASampleIsValid() {
    List<String> wrong = new ArrayList<>();
    List<String> unusable = new ArrayList<>();
    int valid = 0;
    for (String wsdl : wsdls()) {
      Optional<Description> description = Descriptions.read(wsdl).value();
      Optional<SchemaValidation> schemas = description.flatMap(read -> schemas(read));
      if (description.isPresent() && schemas.isEmpty()) {
        unusable.add(wsdl);
      }
      if (schemas.isEmpty()) {
        continue;
      }
      for (Operation operation : documentOperations(description.get())) {
        for (Extent extent : Extent.values()) {
          String name = wsdl + " " + operation.id() + " " + extent;
          Optional<String> problem = problem(description.get(), operation, extent, schemas.get());
          if (problem.isEmpty()) {
            valid++;
          } else {
            wrong.add(name + ": " + problem.get());
          }
        }
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(unusable).hasSize(UNUSABLE_SCHEMAS);
    assertThat(valid).isGreaterThanOrEqualTo(600);
  }

  private static Optional<SchemaValidation> schemas(Description description) {
    try {
      return Optional.of(SchemaValidation.of(description));
    } catch (Exception refused) {
      // Counted by the caller: the validator must refuse just the known ones.
      return Optional.empty();
    }
  }

  /** Operations whose body is a declared element; rpc wrappers are declared nowhere. */
  private static List<Operation> documentOperations(Description description) {
    boolean rpc =
        description.documents().stream()
            .anyMatch(
                document ->
                    new String(document.bytes(), StandardCharsets.ISO_8859_1)
                        .contains("style=\"rpc\""));
    return rpc
        ? List.of()
        : description.service().operations().stream()
            .filter(
                operation ->
                    operation.wires().stream().anyMatch(OperationWire.Soap.class::isInstance))
            .toList();
  }

  private static Optional<String> problem(
      Description description, Operation operation, Extent extent, SchemaValidation schemas) {
    OperationWire wire = operation.wires().get(0);
    Service service = addressed(description.service());
    Outcome<Request> request =
        Requests.make(
            service,
            operation,
            wire.endpoint(),
            SampleMaker.make(service.shapes(), operation.input(), extent));
    if (request.value().isEmpty()) {
      return Optional.of(FindingText.lines(request.findings()));
    }
    try {
      schemas.validateBody(request.get().body());
      return Optional.empty();
    } catch (Exception invalid) {
      return Optional.of(String.valueOf(invalid.getMessage()));
    }
  }

  /** Some descriptions leave the address open; their messages are checked all the same. */
  private static Service addressed(Service service) {
    return new Service(
        service.name(),
        service.documentation(),
        service.endpoints().stream()
            .map(end -> new Endpoint(end.id(), end.protocol(), "http://localhost:1/"))
            .toList(),
        service.operations(),
        service.shapes(),
        service.entities());
  }
}
