package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What belongs together on a page, and what the workspace learns of what people chose. */
class PairingApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final String DESCRIPTION =
      """
      openapi: 3.0.3
      info: {title: Moorings, version: v1}
      servers: [{url: http://localhost:7391/}]
      paths:
        /moorings:
          get:
            operationId: readMooring
            responses:
              default:
                description: One.
                content:
                  application/json:
                    schema:
                      type: object
                      properties:
                        bollardWidth: {type: number}
                        remark: {type: string}
        /bookings:
          get:
            operationId: book
            parameters:
            - {name: dolphinWidth, in: query, required: true, schema: {type: number}}
            - {name: spot, in: query, schema: {type: string}}
            responses:
              default: {description: Booked.}
      """;

  private static final JsonMapper JSON = new JsonMapper();

  private final Api api = SERVER.api();

  private String service;
  private String edition;

  /** A page that reads a mooring and books one. */
  private String newPage() {
    String app = "/api/apps/" + api.post("/api/apps", "{'name':'Moorings'}").text("/id");
    edit(app, "{'kind':'addPage'," + what("readMooring"));
    String page = api.get(app).text("/pages/0/id");
    edit(app, "{'kind':'addCall','page':'" + page + "'," + what("book"));
    return app + "/pages/" + page;
  }

  private String what(String operation) {
    return "'service':'"
        + service
        + "','edition':'"
        + edition
        + "','operation':'"
        + operation
        + "','endpoint':'main','fields':[]}";
  }

  private void edit(String app, String edit) {
    String version = api.get(app).body().at("/version").toString();
    assertThat(api.post(app + "/edits", "{'version':" + version + ",'edit':" + edit + "}").status())
        .isEqualTo(200);
  }

  private JsonNode pairs(String page) {
    return api.get(page + "/calls/" + api.get(page + "/bench").text("/calls/1/id") + "/pairs")
        .body();
  }

  @Test
  void equalValuesInSamplesAreAReason() {
    service = api.take(DESCRIPTION.replace("\n", "\\n"));
    edition = api.get("/api/services/" + service).text("/edition");
    assertThat(pairs(newPage()).at("/pairs").toString()).doesNotContain("remark");
    SampleStore samples = SERVER.bean(SampleStore.class);
    for (String place : List.of("Heron Basin", "Old Lock", "Lamp Quay")) {
      JsonNode none = JSON.createObjectNode();
      JsonNode spot = JSON.createObjectNode().put("spot", place);
      JsonNode remark = JSON.createObjectNode().put("remark", place);
      samples.keep(service, "readMooring", place, kept(none, Optional.of(remark)), "RECORDED");
      samples.keep(service, "book", place, kept(spot, Optional.empty()), "RECORDED");
      samples.keep(service, "book", "Made " + place, kept(remark, Optional.of(remark)), "MADE");
    }

    assertThat(pairs(newPage()).at("/pairs").valueStream())
        .anySatisfy(
            pair -> {
              assertThat(pair.at("/given").toString()).contains("remark");
              assertThat(pair.at("/reasons").toString()).contains("3 of 3 sample values equal");
            });
  }

  private static SampleStore.Kept kept(JsonNode parameters, Optional<JsonNode> answer) {
    return new SampleStore.Kept(
        parameters,
        answer,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        OverTheWire.NOTHING);
  }

  @Test
  void whatSomebodyChoseOncePairsElsewhereUntilItIsTakenOut() {
    service = api.take(DESCRIPTION.replace("\n", "\\n"));
    edition = api.get("/api/services/" + service).text("/edition");
    String first = newPage();
    JsonNode before = pairs(first);
    assertThat(before.at("/pairs").valueStream())
        .noneMatch(pair -> pair.at("/grade").asString().equals("SURE"));

    JsonNode open = before.at("/pairs").isEmpty() ? before.at("/next/0") : before.at("/pairs/0");
    assertThat(open.at("/given").toString()).contains("bollardWidth");
    String app = first.substring(0, first.indexOf("/pages"));
    edit(
        app,
        "{'kind':'fillSlot','slot':"
            + open.at("/slot").toString().replace('"', '\'')
            + ",'source':"
            + open.at("/source").toString().replace('"', '\'')
            + "}");

    String second = newPage();
    JsonNode learnt = pairs(second).at("/pairs/0");
    assertThat(learnt.at("/grade").asString()).isEqualTo("SURE");
    assertThat(learnt.at("/reasons").toString()).contains("names mean the same");

    edit(
        second.substring(0, second.indexOf("/pages")),
        "{'kind':'refusePair','page':'"
            + second.substring(second.lastIndexOf('/') + 1)
            + "','call':'"
            + learnt.at("/call").asString()
            + "','parameter':['dolphinWidth'],'given':"
            + learnt.at("/given").toString().replace('"', '\'')
            + "}");
    assertThat(pairs(newPage()).at("/pairs").valueStream())
        .noneMatch(pair -> pair.at("/grade").asString().equals("SURE"));
  }
}
