package org.mapsel.server.services;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mapsel.server.testing.FakeBerthing.bytes;
import static org.mapsel.server.testing.FakeBerthing.write;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

/** What a description leaves open, from the first answer to a page. */
@Timeout(60)
class SeenFieldsApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static List<String> comesBack(Api.Answer operation) {
    return operation
        .body()
        .at("/comesBack")
        .valueStream()
        .map(field -> field.at("/name").asString())
        .toList();
  }

  @Test
  void theFieldsOfAnAnswerCanBeShown() {
    try (FakeBerthing quay = new FakeBerthing()) {
      quay.serve(
          "/lots.json",
          at ->
              write(
                  at,
                  200,
                  "application/json",
                  bytes(
                      """
                      {"openapi":"3.1.0","info":{"title":"Lots","version":"1"},"servers":[{"url":"/"}],
                       "paths":{"/lots":{"get":{"operationId":"lots","responses":{"200":{"description":"All",
                         "content":{"application/json":{"schema":{"type":"object","properties":{"found":{}}}}}}}}}}}
                      """)));
      quay.serve(
          "/lots",
          at ->
              write(
                  at,
                  200,
                  "application/json",
                  bytes(
                      """
                      {"found":[{"row":"A","bay":1,"free":40.5},{"row":"B","bay":1,"free":12}]}
                      """)));
      Api api = SERVER.api();
      String service = api.take(quay.address() + "/lots.json");
      String path = "/api/services/" + service + "/operations/lots";
      assertThat(comesBack(api.get(path))).containsExactly("found");

      String endpoint = api.get(path).text("/endpoint");
      api.post(path + "/tries", "{'endpoint':'" + endpoint + "','parameters':{}}");
      assertThat(comesBack(api.get(path))).containsExactly("found", "row", "bay", "free");

      String app = api.post("/api/apps", "{'name':'Seen'}").text("/id");
      String edition = api.get(path).text("/edition");
      Api.Answer made =
          api.post(
              "/api/apps/" + app + "/edits",
              """
              {'version':1,'edit':{'kind':'addPage','service':'%s','edition':'%s','operation':'lots',
               'endpoint':'%s','fields':[['found','row'],['found','free']]}}"""
                  .formatted(service, edition, endpoint));
      assertThat(made.status()).isEqualTo(200);
      String page = "/api/apps/" + app + "/pages/" + made.text("/pages/0/id");
      assertThat(api.get(page + "/bench").text("/page/parts/1/rows/columns/1/display"))
          .isEqualTo("NUMBER");
      Api.Answer visit = api.post(page + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}");
      Api.Answer run =
          api.post(
              "/api/runs/" + visit.text("/run") + "/events",
              "{'inputs':{},'event':{'kind':'pressed','button':'"
                  + visit.text("/page/parts/0/id")
                  + "'}}");
      assertThat(run.body().at("/page/parts/1/rows/rows").findValuesAsString("text"))
          .containsExactly("A", "40.5", "B", "12");
    }
  }
}
