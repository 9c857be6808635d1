package org.mapsel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;

/** JSON and YAML made to do harm: each is a clear finding, and nothing runs away. */
@Timeout(120)
class HostileDataTest {

  private static final String START = "openapi: 3.1.0\ninfo: {title: Hostile, version: '1'}\n";

  private static Outcome<Description> read(String text) {
    return Intake.read(
        new SourceText("test:/hostile", text.getBytes(StandardCharsets.UTF_8)),
        Descriptions.RESOLVER);
  }

  private static List<String> codes(Outcome<?> outcome) {
    return outcome.findings().stream().map(Finding::code).toList();
  }

  /** A service whose one operation takes the schema called A. */
  private static String taking(String schemas) {
    return START
        + "paths: {/a: {post: {operationId: a, requestBody: {required: true, content:"
        + " {application/json: {schema: {$ref: '#/components/schemas/A'}}}}, responses: {}}}}\n"
        + "components:\n  schemas:\n"
        + schemas;
  }

  private static void canBeUsed(Outcome<Description> read) {
    Operation operation = read.get().service().operations().get(0);
    for (SampleMaker.Extent extent : SampleMaker.Extent.values()) {
      var values = SampleMaker.make(read.get().service().shapes(), operation.input(), extent);
      var request =
          Requests.make(
              read.get().service(), operation, operation.wires().get(0).endpoint(), values);
      assertThat(request.value().isPresent() || !request.findings().isEmpty()).isTrue();
    }
  }

  @Test
  void referencesThatLeadToThemselvesEnd() {
    canBeUsed(
        read(
            taking(
                "    A: {$ref: '#/components/schemas/B'}\n    B: {$ref: '#/components/schemas/A'}\n")));
    canBeUsed(
        read(
            taking(
                "    A: {allOf: [{$ref: '#/components/schemas/A'}, {properties: {x: {type: string}}}]}\n")));
    canBeUsed(
        read(
            taking(
                "    A: {oneOf: [{$ref: '#/components/schemas/A'}, {type: array, items: {$ref: '#/components/schemas/A'}}]}\n")));
    canBeUsed(read(taking("    A: {type: array, items: {$ref: '#/components/schemas/A'}}\n")));
    canBeUsed(
        read(
            taking("    A: {required: [a], properties: {a: {$ref: '#/components/schemas/A'}}}\n")));
    canBeUsed(read(taking("    A: {additionalProperties: {$ref: '#/components/schemas/A'}}\n")));
    assertThat(codes(read(START + "paths: {/a: {$ref: '#/paths/~1a'}}\n")))
        .contains("OPENAPI_REFERENCE_BROKEN");
  }

  @Test
  void aliasesThatNameEachOtherAreRefused() {
    String bomb =
        "bomb:\n  a0: &a0 [x, x, x, x, x, x, x, x, x, x]\n"
            + IntStream.range(1, 30)
                .mapToObj(
                    i ->
                        "  a%d: &a%d [%s]\n"
                            .formatted(
                                i,
                                i,
                                IntStream.range(0, 10)
                                    .mapToObj(j -> "*a" + (i - 1))
                                    .collect(Collectors.joining(", "))))
                .collect(Collectors.joining());
    assertThat(codes(read(START + bomb))).contains("DATA_ALIASES_TOO_MANY");
  }

  @Test
  void nestingAndNumbersHaveLimits() {
    String deep = "{'openapi':'3.0.0','x':".replace('\'', '"') + "[".repeat(100_000);
    assertThat(codes(read(deep))).contains("DATA_DOCUMENT_BROKEN");
    String number = START + "x: " + "9".repeat(1_000_000) + "\npaths: {}\n";
    assertThat(read(number).findings()).isNotNull();
    assertThat(codes(read("{\"openapi\":\"3.0.0\",\"x\":" + "9".repeat(100_000) + "}")))
        .contains("DATA_DOCUMENT_BROKEN");
  }

  @Test
  void whatStandsBeforeADefectIsRead() {
    String whole = taking("    A: {type: object, properties: {x: {type: string}}}\n");
    Outcome<Description> read = read(whole + "  broken: [1, 2\nmore: }\n");
    assertThat(codes(read)).contains("DATA_DOCUMENT_BROKEN");
    assertThat(read.get().service().operations()).hasSize(1);
  }

  @Test
  void aHundredThousandOperationsAreJustMany() {
    StringBuilder paths = new StringBuilder("{\"openapi\":\"3.0.0\",\"info\":{},\"paths\":{");
    for (int i = 0; i < 100_000; i++) {
      paths
          .append(i == 0 ? "" : ",")
          .append("\"/p")
          .append(i)
          .append("\":{\"get\":{\"responses\":{}}}");
    }
    assertThat(read(paths + "}}").get().service().operations()).hasSize(100_000);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 3, 5_000})
  void familiesOfThousandsOfTypesAreReadInGoodTime(int children) {
    StringBuilder schemas = new StringBuilder();
    schemas.append("    A: {discriminator: {propertyName: k}, properties: {k: {type: string}}}\n");
    for (int i = 1; i < 1_500; i++) {
      int parent = (i - 1) / children;
      schemas.append(
          "    T%d: {allOf: [{$ref: '#/components/schemas/%s'}, {properties: {p%d: {$ref: '#/components/schemas/T%d'}}}]}\n"
              .formatted(i, parent == 0 ? "A" : "T" + parent, i, 1 + i * 7 % 1_499));
    }
    Outcome<Description> read = read(taking(schemas.toString()));
    assertThat(codes(read)).contains("OPENAPI_KINDS_MANY");
    canBeUsed(read);
  }
}
