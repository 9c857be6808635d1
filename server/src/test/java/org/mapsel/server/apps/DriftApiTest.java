package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

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
          api.post(operation + "/samples/At%20rest/verdicts", "{}").body().at("/samples/0/verdict");
      assertThat(verdict.at("/deviations")).hasSize(1);
      assertThat(verdict.at("/deviations/0/path").asString()).contains("note");

      // The old edition still has it as it came.
      api.put("/api/services/" + service + "/edition", "{'edition':'" + old + "'}");
      assertThat(api.get(operation + "/samples/At%20rest/content").body().toString())
          .contains("crewCount")
          .doesNotContain("N 4");
    }
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
