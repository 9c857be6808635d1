package org.mapsel.core.call;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Secret;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Lists over HTTP that come in parts, in each of the ways in which services give them. */
class ListPartsTest {

  private static final Service SERVICE = Descriptions.service("/descriptions/paged-parts.yaml");
  private static final String ROOT = "http://quay.example/v1";

  private final Map<String, Response> served = new LinkedHashMap<>();
  private final List<String> asked = new ArrayList<>();

  private void serve(String path, String body, String... headers) {
    Map<String, List<String>> named = new LinkedHashMap<>();
    named.put("Content-Type", List.of("application/json"));
    for (int i = 0; i < headers.length; i += 2) {
      named.put(headers[i], List.of(headers[i + 1]));
    }
    served.put(ROOT + path, new Response(200, named, body.getBytes(StandardCharsets.UTF_8)));
  }

  private CallResult call(
      String operationId, Map<String, Value> values, Access access, FieldPath... wanted) {
    Operation operation = SERVICE.getOperation(new OperationId(operationId));
    return new Caller(
            (request, used) -> {
              asked.add(request.address());
              Response response =
                  served.getOrDefault(request.address(), new Response(404, Map.of(), new byte[0]));
              return new Exchange(
                  request, Optional.of(response), Optional.empty(), Instant.EPOCH, Duration.ZERO);
            },
            () -> new Stamp(Instant.EPOCH, "1", new byte[] {1}))
        .call(
            new Question(
                SERVICE,
                operation,
                operation.wires().get(0).endpoint(),
                RecordValue.of(values),
                access,
                Set.of(wanted)));
  }

  private static String value(CallResult result) {
    return ((Answer.Returned) result.answer().orElseThrow()).value().toString();
  }

  private static String rows(CallResult result) {
    return value(result).replaceAll("[^0-9]+", " ").strip();
  }

  @Test
  void aLinkHeaderIsFollowedWithTheKeyThatTheAddressLeavesOut() {
    serve("/by-link?key=k1", "[{\"id\":1}]", "Link", "</v1/by-link?after=1>; rel=\"next\"");
    serve("/by-link?after=1&key=k1", "[{\"id\":2}]", "link", "<?after=2>; rel=next");
    serve("/by-link?after=2&key=k1", "[{\"id\":3}]");

    CallResult result =
        call(
            "byLink",
            Map.of(),
            Access.NONE.as(new Access.Login.ApiKey("key", Secret.of("k1"), true)));

    assertThat(rows(result)).isEqualTo("1 2 3");
    assertThat(result.findings()).isEmpty();
  }

  @Test
  void aKeyThatTheNextAddressRepeatsIsSentAgainButNotKept() {
    serve("/by-link?key=tide-4711", "[{\"id\":1}]", "Link", "<?after=1&key=tide-4711>; rel=next");
    serve("/by-link?after=1&key=tide-4711", "[{\"id\":2}]");

    CallResult result =
        call(
            "byLink",
            Map.of(),
            Access.NONE.as(new Access.Login.ApiKey("key", Secret.of("tide-4711"), true)));

    assertThat(rows(result)).isEqualTo("1 2");
    assertThat(result.exchange().orElseThrow().toString()).doesNotContain("tide-4711");
  }

  @Test
  void anotherServerIsNotAsked() {
    serve("/by-link", "[{\"id\":1}]", "Link", "<http://elsewhere.example/x>; rel=next");

    CallResult result = call("byLink", Map.of(), Access.NONE);

    assertThat(rows(result)).isEqualTo("1");
    assertThat(result.findings()).extracting(Finding::code).containsExactly("CALL_MORE_ROWS");
    assertThat(asked).containsExactly(ROOT + "/by-link");
  }

  @Test
  void anAddressInTheAnswerIsFollowedEvenIfNobodyWantsToSeeIt() {
    serve(
        "/by-field",
        "{\"lamps\":[{\"id\":1}],\"_links\":{\"next\":{\"href\":\"/v1/by-field?p=2\"}}}");
    serve("/by-field?p=2", "{\"lamps\":[{\"id\":2}],\"_links\":{}}");

    assertThat(rows(call("byField", Map.of(), Access.NONE, FieldPath.of("lamps", "id"))))
        .startsWith("1 2");
  }

  @Test
  void aMarkIsGivenBackInItsParameter() {
    serve("/by-mark?kind=red", "{\"lamps\":[{\"id\":1}],\"nextPageToken\":\"a b/c\"}");
    serve(
        "/by-mark?kind=red&page_token=a%20b%2Fc",
        "{\"lamps\":[{\"id\":2}],\"nextPageToken\":\"\"}");

    assertThat(value(call("byMark", Map.of("kind", new TextValue("red")), Access.NONE)))
        .contains("number=1", "number=2");
    assertThat(asked).hasSize(2);
  }

  @Test
  void pagesAreCountedFromWhereTheDescriptionStarts() {
    serve("/by-page", "{\"content\":[{\"id\":1}],\"totalPages\":3}");
    serve("/by-page?page=1", "{\"content\":[{\"id\":2}],\"totalPages\":3}");

    CallResult result = call("byPage", Map.of(), Access.NONE);

    assertThat(value(result)).contains("number=1", "number=2");
    assertThat(result.findings())
        .as("the third page is missing, and what came is kept")
        .extracting(Finding::code)
        .startsWith("CALL_PART_MISSING");
    assertThat(asked).last().isEqualTo(ROOT + "/by-page?page=2");
  }

  @Test
  void whoeverAsksForOnePageGetsThatOne() {
    serve("/by-page?page=1", "{\"content\":[{\"id\":2}],\"totalPages\":3}");

    call("byPage", Map.of("page", new NumberValue(BigDecimal.ONE)), Access.NONE);

    assertThat(asked).hasSize(1);
  }

  @Test
  void rowsAreCountedUntilAPartIsNotFull() {
    serve("/by-row", "{\"data\":{\"rows\":[{\"id\":1},{\"id\":2}]}}");
    serve("/by-row?offset=2", "{\"data\":{\"rows\":[{\"id\":3},{\"id\":4}]}}");
    serve("/by-row?offset=4", "{\"data\":{\"rows\":[{\"id\":5}]}}");

    assertThat(rows(call("byRow", Map.of(), Access.NONE))).isEqualTo("1 2 3 4 5");
  }

  @Test
  void aServiceThatGivesTheSameRowsAgainIsAskedNoMore() {
    String same = "{\"data\":{\"rows\":[{\"id\":1},{\"id\":2}]}}";
    serve("/by-row", same);
    serve("/by-row?offset=2", same);

    assertThat(rows(call("byRow", Map.of(), Access.NONE))).isEqualTo("1 2");
    assertThat(asked).hasSize(2);
  }
}
