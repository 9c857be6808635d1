package org.mapsel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Response;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Requests;

/** Real descriptions and answers with damage done to them: no crash, no hang, always a reason. */
@Timeout(300)
class FuzzTest {

  private static final int ROUNDS = 250;

  private static byte[] resource(String name) throws IOException {
    try (InputStream bytes = FuzzTest.class.getResourceAsStream(name)) {
      return bytes == null ? new byte[0] : bytes.readAllBytes();
    }
  }

  private static Outcome<SourceText> fetch(String address) {
    try {
      byte[] bytes = resource(address);
      return bytes.length == 0
          ? Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address))
          : Outcome.of(new SourceText(address, bytes));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** One of the ways in which documents get damaged. */
  private static byte[] damaged(byte[] bytes, Random random) {
    int from = random.nextInt(bytes.length);
    int to = Math.min(bytes.length, from + 1 + random.nextInt(60));
    byte[] changed = bytes.clone();
    switch (random.nextInt(6)) {
      case 0 -> changed[from] = (byte) random.nextInt(256);
      case 1 -> changed = Arrays.copyOf(bytes, from);
      case 2 -> changed = joined(bytes, from, bytes, to);
      case 3 -> changed = joined(bytes, to, bytes, from);
      case 4 -> swapWords(changed, random);
      default -> {
        byte[] other = Arrays.copyOfRange(bytes, from, to);
        int at = random.nextInt(bytes.length);
        changed = joined(joined(bytes, at, other, 0), at + other.length, bytes, at);
      }
    }
    return changed;
  }

  private static byte[] joined(byte[] head, int until, byte[] tail, int from) {
    byte[] both = Arrays.copyOf(head, until + tail.length - from);
    System.arraycopy(tail, from, both, until, tail.length - from);
    return both;
  }

  /** Puts one quoted value in the place of another: names that lead elsewhere, types that loop. */
  private static void swapWords(byte[] bytes, Random random) {
    String text = new String(bytes, StandardCharsets.ISO_8859_1);
    int one = text.indexOf('"', random.nextInt(text.length()));
    int other = text.indexOf('"', random.nextInt(text.length()));
    if (one < 0 || other < 0) {
      return;
    }
    int end = text.indexOf('"', other + 1);
    int length = Math.min(end - other, bytes.length - one);
    if (length > 0) {
      System.arraycopy(bytes.clone(), other, bytes, one, length);
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "/descriptions/dredging.wsdl",
        "/descriptions/cargo.wsdl",
        "/descriptions/moorings.wsdl",
        "/descriptions/horn.wsdl",
        "/descriptions/lights.wsdl",
        "/descriptions/tides.yaml",
        "/descriptions/slipway.json",
        "/descriptions/yard.xml",
        "/descriptions/yard2.xml",
        "/descriptions/lots.json",
        "/descriptions/gauges.har",
        "/descriptions/roster-sample.txt",
        "/wsdl/hello_world.wsdl",
        "/wsdl/any.wsdl",
        "/wsdl/header_rpc_lit.wsdl",
        "/wsdl/swa-mime.wsdl",
        "/wsdl/type_test/type_test_doclit_soap.wsdl"
      })
  void damagedDescriptionsAreReadOrRefused(String name) throws IOException {
    byte[] whole = resource(name);
    assertThat(whole).as(name).isNotEmpty();
    Random random = new Random(name.hashCode());
    int read = 0;
    for (int round = 0; round < ROUNDS; round++) {
      byte[] bytes = damaged(whole, random);
      Outcome<Description> outcome = Intake.read(new SourceText(name, bytes), FuzzTest::fetch);
      outcome.findings().forEach(finding -> assertThat(FindingText.message(finding)).isNotBlank());
      if (outcome.value().isPresent()) {
        read++;
        use(outcome.get().service(), random);
      }
    }
    assertThat(read).as("some damage leaves something to read").isPositive();
  }

  /** Requests of whatever is offered, and their own bodies read back as damaged answers. */
  private static void use(Service service, Random random) {
    List<Operation> operations = service.operations();
    for (Operation operation : operations.subList(0, Math.min(5, operations.size()))) {
      for (OperationWire wire : operation.wires()) {
        for (Extent extent : Extent.values()) {
          var values = SampleMaker.make(service.shapes(), operation.input(), extent);
          var request = Requests.make(service, operation, wire.endpoint(), values);
          assertThat(request.value().isPresent() || !request.findings().isEmpty()).isTrue();
          request
              .value()
              .filter(made -> made.body().length > 0)
              .ifPresent(
                  made ->
                      Caller.answer(
                          service,
                          operation,
                          wire,
                          new Response(200, Map.of(), damaged(made.body(), random)),
                          Set.of()));
        }
      }
    }
  }
}
