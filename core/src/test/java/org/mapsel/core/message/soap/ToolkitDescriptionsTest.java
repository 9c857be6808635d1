package org.mapsel.core.message.soap;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.JarURLConnection;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.jar.JarFile;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
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

  /**
   * What is not read, and why: no SOAP binding at all (XML and CORBA bindings), only messages or
   * only port types, or documents that are found through a catalogue which is not part of the jar.
   */
  private static final Map<String, String> UNREAD =
      Map.ofEntries(
          Map.entry("/wsdl/catalog/hello_world_messages.wsdl", "READ_DOCUMENT_MISSING"),
          Map.entry("/wsdl/catalog/hello_world_port_type.wsdl", "WSDL_PREFIX_UNKNOWN"),
          Map.entry("/wsdl/catalog/hello_world_services.wsdl", "READ_DOCUMENT_MISSING"),
          Map.entry("/wsdl/catalog/hello_world_wsdl_import.wsdl", "READ_DOCUMENT_MISSING"),
          Map.entry("/wsdl/hello_world_xml_bare.wsdl", "WSDL_OPERATION_NONE"),
          Map.entry("/wsdl/hello_world_xml_mixed.wsdl", "WSDL_OPERATION_NONE"),
          Map.entry("/wsdl/hello_world_xml_wrapped.wsdl", "WSDL_OPERATION_NONE"),
          Map.entry("/wsdl/others/hello_world_messages_catalog.wsdl", "READ_DOCUMENT_MISSING"),
          Map.entry("/wsdl/others/hello_world_wsdl_import_catalog.wsdl", "READ_DOCUMENT_MISSING"),
          Map.entry("/wsdl/soapheader2.wsdl", "WSDL_OPERATION_NONE"),
          Map.entry("/wsdl/type_test/type_test_doclit.wsdl", "WSDL_OPERATION_NONE"),
          Map.entry("/wsdl/type_test/type_test_rpclit.wsdl", "WSDL_OPERATION_NONE"),
          Map.entry("/wsdl/type_test/type_test_xml.wsdl", "WSDL_OPERATION_NONE"),
          Map.entry("/wsdl/type_test/type_test_xml_inc.wsdl", "WSDL_OPERATION_NONE"));

  /** Operations that need a type chosen or open content filled, which cannot be done yet. */
  private static final Set<String> NOT_YET =
      Set.of(
          "/wsdl/any.wsdl sayHi EVERYTHING",
          "/wsdl/cardealer.wsdl tradeIn REQUIRED",
          "/wsdl/cardealer.wsdl tradeIn EVERYTHING",
          "/wsdl/rt-javascript/hello_world_any.wsdl acceptAny1 REQUIRED",
          "/wsdl/rt-javascript/hello_world_any.wsdl acceptAny1 EVERYTHING",
          "/wsdl/rt-javascript/hello_world_any.wsdl acceptAnyN REQUIRED",
          "/wsdl/rt-javascript/hello_world_any.wsdl acceptAnyN EVERYTHING");

  /** Descriptions whose own schemas the JDK's validator refuses. */
  private static final int UNUSABLE_SCHEMAS = 7;

  @Test
  void allAreReadButThoseWithoutSoapAndThoseWithoutTheirParts() {
    Map<String, List<String>> unread = new TreeMap<>();
    for (String wsdl : wsdls()) {
      Outcome<Description> outcome = Descriptions.read(wsdl);
      if (outcome.value().isEmpty()) {
        unread.put(
            wsdl, outcome.findings().stream().filter(Finding::isError).map(Finding::code).toList());
      }
    }
    assertThat(wsdls()).hasSize(68);
    assertThat(unread.keySet()).isEqualTo(UNREAD.keySet());
    UNREAD.forEach((wsdl, code) -> assertThat(unread.get(wsdl)).as(wsdl).contains(code));
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
          } else if (!NOT_YET.contains(name)) {
            wrong.add(name + ": " + problem.get());
          }
        }
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(unusable).hasSize(UNUSABLE_SCHEMAS);
    assertThat(valid).isGreaterThanOrEqualTo(230);
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
    return rpc ? List.of() : description.service().operations();
  }

  private static Optional<String> problem(
      Description description, Operation operation, Extent extent, SchemaValidation schemas) {
    OperationWire wire = operation.wires().get(0);
    Service service = addressed(description.service());
    Outcome<Request> request =
        Caller.request(
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
        service.shapes());
  }
}
