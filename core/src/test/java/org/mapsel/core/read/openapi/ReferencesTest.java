package org.mapsel.core.read.openapi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.testing.Descriptions;

/** References that lead somewhere, nowhere and elsewhere. */
class ReferencesTest {

  private static final String BOARD =
      """
      {"openapi":"3.1.0","info":{"title":"Board"},"paths":{"/board":{"get":{"operationId":"board",
       "responses":{"200":{"description":"","content":{"application/json":{"schema":%s}}}}}}},
       "components":{"schemas":{"Berth":{"type":"object","properties":{"bay":{"type":"integer"}}},
       "Odd":{"type":"object","properties":{"%s":{"type":"string"}}}}}}""";

  private static Outcome<Description> read(String schema, String oddName) {
    return Intake.read(
        new SourceText(
            "board.json", BOARD.formatted(schema, oddName).getBytes(StandardCharsets.UTF_8)),
        address ->
            address.endsWith("other.json")
                ? Outcome.of(
                    new SourceText(
                        address,
                        "{\"Hull\":{\"properties\":{\"mark\":{}}}}"
                            .getBytes(StandardCharsets.UTF_8)))
                : Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
  }

  private static List<String> fields(Outcome<Description> read) {
    Service service = read.get().service();
    return service.shapes().fieldsOf(service.operations().get(0).output()).stream()
        .map(Field::name)
        .toList();
  }

  /**
   * A property with the name of a keyword makes the reader go through everything; what comes out
   * must be the same.
   */
  @ParameterizedTest
  @ValueSource(strings = {"plain", "discriminator", "links", "mapping"})
  void whatIsFoundDoesNotDependOnHowMuchMustBeGoneThrough(String oddName) {
    Outcome<Description> good = read("{\"$ref\":\"#/components/schemas/Berth\"}", oddName);
    assertThat(good.findings()).isEmpty();
    assertThat(fields(good)).containsExactly("bay");

    Outcome<Description> elsewhere = read("{\"$ref\":\"other.json#/Hull\"}", oddName);
    assertThat(elsewhere.findings()).isEmpty();
    assertThat(fields(elsewhere)).containsExactly("mark");

    for (String broken :
        List.of("#/components/schemas/Berths", "missing.json#/Hull", "#/paths/~1boards", "#none")) {
      Outcome<Description> read = read("{\"$ref\":\"%s\"}".formatted(broken), oddName);
      assertThat(read.findings())
          .as(broken)
          .extracting(Finding::code)
          .contains("OPENAPI_REFERENCE_BROKEN");
    }
  }

  @Test
  void whatLooksLikeAReferenceInAnExampleIsNone() {
    Outcome<Description> read =
        read(
            "{\"$ref\":\"#/components/schemas/Berth\",\"example\":{\"$ref\":\"#/nowhere\"}}",
            "odd");
    assertThat(read.findings()).isEmpty();
    assertThat(fields(read)).containsExactly("bay");
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 31, 32, 33, 90})
  void aReferenceIsFoundHoweverManyStandBeforeIt(int others) {
    String properties =
        IntStream.range(0, others)
            .mapToObj(i -> "\"p%d\":{\"type\":\"string\"}".formatted(i))
            .collect(Collectors.joining(","));
    Outcome<Description> read =
        read(
            "{\"type\":\"object\",\"properties\":{%s,\"last\":{\"$ref\":\"#/nowhere\"}}}"
                .formatted(properties),
            "odd");
    assertThat(read.findings())
        .extracting(Finding::code)
        .containsExactly("OPENAPI_REFERENCE_BROKEN");
    assertThat(fields(read)).hasSize(others + 1).endsWith("last");
  }

  @Test
  void pointersMayBeEscaped() {
    Outcome<Description> read =
        read(
            "{\"$ref\":\"#/paths/~1board/get/responses/200/content/application~1json/x-own\"}",
            "odd");
    assertThat(read.findings()).hasSize(1);
    Outcome<Description> encoded = read("{\"$ref\":\"#/components/schemas/%42erth\"}", "odd");
    assertThat(encoded.findings()).isEmpty();
    assertThat(fields(encoded)).containsExactly("bay");
  }

  @Test
  void linksAreFoundInAnAnswerAndInOneThatOperationsShare() {
    String link = "\"links\":{\"next\":{\"operationId\":\"moor\"}}";
    String text =
        """
        {"openapi":"3.1.0","info":{"title":"Berths","version":"1"},"servers":[{"url":"http://localhost:1"}],
         "paths":{
          "/own":{"get":{"operationId":"own","responses":{"200":{"description":"ok",%1$s}}}},
          "/shared":{"get":{"operationId":"shared","responses":{"200":{"$ref":"#/components/responses/Found"}}}},
          "/none":{"get":{"operationId":"none","responses":{"200":{"description":"ok","content":
            {"application/json":{"schema":{"$ref":"#/components/schemas/Berth"}}}}}}},
          "/moor":{"get":{"operationId":"moor","responses":{"204":{"description":"ok"}}}}},
         "components":{"responses":{"Found":{"description":"ok",%1$s}},
          "schemas":{"Berth":{"type":"object","properties":{"bay":{"type":"string"}}}}}}"""
            .formatted(link);
    Service service = Descriptions.serviceOf(text);
    assertThat(service.operations())
        .extracting(Operation::name, one -> one.links().size())
        .containsExactly(tuple("own", 1), tuple("shared", 1), tuple("none", 0), tuple("moor", 0));
  }
}
