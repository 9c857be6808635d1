package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;

/** What a newer edition of a service means for samples, checks, apps and what was released. */
class DriftApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private final Api api = SERVER.api();

  private static void offerEdition(FakeBerthing host, String fields, String answer) {
    host.offer(
        "/tugs.json",
        """
        {"openapi":"3.1.0","info":{"title":"Tugs","version":"1"},"servers":[{"url":"%s"}],
         "paths":{"/tugs":{"get":{"operationId":"tugs","responses":{"200":{"description":"All.",
          "content":{"application/json":{"schema":{"type":"object","properties":{"tugs":
           {"type":"array","items":{"type":"object","properties":{%s}}}}}}}}}}}}}
        """
            .formatted(host.address(), fields));
    host.offer("/tugs", answer);
  }

  @Test
  void samplesGoAlongAndWhatTheyMeetIsTold() {
    try (FakeBerthing host = new FakeBerthing()) {
      offerEdition(
          host,
          "\"tug\":{\"type\":\"string\"},\"crewCount\":{\"type\":\"integer\"},\"note\":{\"type\":\"string\"}",
          "{\"tugs\":[{\"tug\":\"Bollard\",\"crewCount\":7,\"note\":\"at rest\",\"berth\":\"N 4\"}]}");
      String service = api.take(host.address() + "/tugs.json");
      String old = api.get("/api/services/" + service).text("/edition");
      String operation = "/api/services/" + service + "/operations/tugs";
      api.post(operation + "/tries", "{'parameters':{},'endpoint':'main'}");
      assertThat(api.post(operation + "/samples", "{'name':'At rest'}").status()).isEqualTo(201);
      api.put(
          operation + "/samples/At%20rest/check",
          "{'check':{'values':true,'ignored':[],'unordered':[],'tolerance':0}}");
      String app = "/api/apps/" + api.post("/api/apps", "{'name':'Tugs'}").text("/id");
      edit(
          app,
          "{'kind':'addPage','service':'"
              + service
              + "','edition':'"
              + old
              + "','operation':'tugs','endpoint':'main','fields':[]}");
      api.post(app + "/releases", "{'version':" + version(app) + ",'note':'First','author':'Rye'}");

      offerEdition(
          host,
          "\"tug\":{\"type\":\"string\"},\"crewNumber\":{\"type\":\"integer\"},\"berth\":{\"type\":\"string\"}",
          "{\"tugs\":[{\"tug\":\"Bollard\",\"crewNumber\":7,\"berth\":\"N 4\"}]}");
      String next = api.post("/api/services/" + service + "/readings", "{}").text("/edition");
      JsonNode drift = api.get("/api/services/" + service + "/drift?to=" + next).body();

      assertThat(drift.at("/samples/0/name").asString()).isEqualTo("At rest");
      assertThat(drift.at("/samples/0/check").asBoolean()).isTrue();
      assertThat(drift.at("/samples/0/followed/0/after").asString()).isEqualTo("tugs › crewNumber");
      assertThat(drift.at("/samples/0/touched")).hasSize(1);
      assertThat(drift.at("/samples/0/touched/0/path")).hasToString("[\"tugs\",\"note\"]");
      assertThat(drift.at("/apps/0/release/there").asBoolean()).isFalse();
      assertThat(drift.at("/apps/0/release/stale").asInt()).isPositive();

      JsonNode move = api.get(app + "/moves?service=" + service + "&edition=" + next).body();
      String preview =
          api.post(
                  app + "/previews",
                  ("{\"page\":\"" + api.get(app).text("/pages/0/id") + "\",\"edits\":")
                      + move.at("/edits")
                      + "}")
              .body()
              .toString();
      assertThat(preview).contains("Bollard").contains("\"7\"").contains("Crew number");
      assertThat(api.get(app).body().at("/version")).hasToString(version(app));

      api.put("/api/services/" + service + "/edition", "{'edition':'" + next + "'}");
      assertThat(api.get(operation + "/samples/At%20rest/content").body().toString())
          .contains("crewNumber")
          .as("what the old edition did not describe was kept all the same")
          .contains("N 4")
          .doesNotContain("crewCount");
      JsonNode verdict =
          api.post(operation + "/samples/At%20rest/verdicts", "{}")
              .body()
              .at("/samples")
              .valueStream()
              .filter(sample -> sample.at("/name").asString().equals("At rest"))
              .findFirst()
              .orElseThrow()
              .at("/verdict");
      assertThat(verdict.at("/deviations")).hasSize(1);
      assertThat(verdict.at("/deviations/0/path").asString()).contains("note");

      // The old edition still has it as it came.
      api.put("/api/services/" + service + "/edition", "{'edition':'" + old + "'}");
      assertThat(api.get(operation + "/samples/At%20rest/content").body().toString())
          .contains("crewCount")
          .doesNotContain("N 4");
    }
  }

  @Test
  void whatWasSentIsReadAnewWhereAnotherEditionDescribesMoreOfIt() {
    try (FakeBerthing host = new FakeBerthing()) {
      offerAsking(host, "\"day\"");
      String service = api.take(host.address() + "/tugs.json");
      String sample = "/api/services/" + service + "/operations/tugs/given-samples";
      String given =
          "GET /tugs?day=2031-05-14&basin=north HTTP/1.1\\nHost: localhost\\nX-Api-Key: reef\\n\\n"
              + "HTTP/1.1 200 OK\\nContent-Type: application/json\\n\\n{\\\"tug\\\":\\\"Bollard\\\"}";
      assertThat(api.postAsIs(sample, "{\"name\":\"North\",\"text\":\"" + given + "\"}").status())
          .isEqualTo(201);
      String kept = "/api/services/" + service + "/operations/tugs/samples/North";
      assertThat(api.get(kept + "/content").body().at("/parameters"))
          .hasToString("{\"day\":\"2031-05-14\"}");
      assertThat(api.get(kept + "/wire").body().toString())
          .contains("basin=north")
          .doesNotContain("reef");

      offerAsking(host, "\"day\"", "\"basin\"");
      String next = api.post("/api/services/" + service + "/readings", "{}").text("/edition");
      api.put("/api/services/" + service + "/edition", "{'edition':'" + next + "'}");
      assertThat(api.get(kept + "/content").body().at("/parameters"))
          .hasToString("{\"day\":\"2031-05-14\",\"basin\":\"north\"}");
    }
  }

  private static void offerAsking(FakeBerthing host, String... names) {
    host.offer(
        "/tugs.json",
        """
        {"openapi":"3.1.0","info":{"title":"Tugs","version":"1"},"servers":[{"url":"%s"}],
         "paths":{"/tugs":{"get":{"operationId":"tugs","parameters":[%s],
          "responses":{"200":{"description":"All.","content":{"application/json":{"schema":
           {"type":"object","properties":{"tug":{"type":"string"}}}}}}}}}}}
        """
            .formatted(
                host.address(),
                Stream.of(names)
                    .map(
                        "{\"name\":%s,\"in\":\"query\",\"schema\":{\"type\":\"string\"}}"
                            ::formatted)
                    .collect(Collectors.joining(","))));
  }

  private String version(String app) {
    return api.get(app).body().at("/version").toString();
  }

  private void edit(String app, String edit) {
    assertThat(
            api.post(app + "/edits", "{'version':" + version(app) + ",'edit':" + edit + "}")
                .status())
        .isEqualTo(200);
  }
}
