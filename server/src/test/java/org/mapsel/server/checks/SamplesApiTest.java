package org.mapsel.server.checks;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;

/** Samples by their names, checks, and answers without the service. */
class SamplesApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private FakeBerthing berthing;
  private Api api;
  private String service;
  private String operation;

  @BeforeEach
  void take() {
    berthing = new FakeBerthing();
    api = SERVER.api();
    service = api.take(berthing.description());
    operation = "/api/services/" + service + "/operations/VesselParticulars";
  }

  @AfterEach
  void stop() {
    berthing.close();
  }

  private Api.Answer send() {
    return api.post(
        operation + "/tries", "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'S-1'}}");
  }

  private JsonNode sample(Api.Answer all, String name) {
    return all.body()
        .at("/samples")
        .valueStream()
        .filter(one -> one.at("/service").asString().equals(service))
        .filter(one -> one.at("/name").asString().equals(name))
        .findFirst()
        .orElseThrow();
  }

  private Api.Answer keep(String name, String made) {
    return api.post(operation + "/samples", "{'name':'" + name + "'" + made + "}");
  }

  @Test
  void whatWasAnsweredIsKeptUnderANameAndCheckedAgain() {
    assertThat(keep("Early", "").code()).isEqualTo("SERVER_SAMPLE_NONE");
    assertThat(send().status()).isEqualTo(200);
    assertThat(keep("Salt Wren", "").status()).isEqualTo(201);
    api.put(
        operation + "/samples/Salt%20Wren/check",
        "{'check':{'values':true,'ignored':[],'unordered':[],'tolerance':0}}");

    Api.Answer holds = api.post(operation + "/samples/Salt%20Wren/verdicts", "{}");
    assertThat(sample(holds, "Salt Wren").at("/verdict/holds").asBoolean()).isTrue();

    berthing.close();
    Api.Answer gone = api.post("/api/samples/verdicts?service=" + service, "{}");
    assertThat(sample(gone, "Salt Wren").at("/verdict/holds").asBoolean()).isFalse();
    assertThat(sample(gone, "Salt Wren").at("/verdict/deviations/0/what").asString())
        .isEqualTo("OUTCOME");
    assertThat(api.post(operation + "/samples/Salt%20Wren/recordings", "{}").status())
        .isEqualTo(422);
  }

  @Test
  void madeAnswersHaveAsManyRowsAsIsWished() {
    keep("None", ",'made':'EMPTY'");
    keep("Many", ",'made':'MANY_ROWS'");
    api.post(operation + "/samples/Many/uses", "{}");
    assertThat(api.get(operation).body().at("/sample/answer/entry")).hasSize(50);
    api.post(operation + "/samples/None/uses", "{}");
    assertThat(api.get(operation).body().at("/sample/answer/entry")).isEmpty();
  }

  @Test
  void aServiceThatIsGoneIsAnsweredForFromItsSamples() {
    send();
    JsonNode known = api.get(operation).body().at("/sample/answer");
    keep("Salt Wren", "");
    berthing.close();

    api.put("/api/services/" + service + "/replay", "{'on':true}");
    Api.Answer replayed = send();

    assertThat(replayed.body().at("/findings")).isEmpty();
    assertThat(api.get(operation).body().at("/sample/answer")).isEqualTo(known);
    String exchange = replayed.text("/sent/exchange");
    assertThat(api.get("/api/exchanges/" + exchange).body().at("/responseHeaders").toString())
        .contains("nothing was sent");

    api.put("/api/services/" + service + "/replay", "{'on':false}");
    assertThat(send().body().at("/findings")).isNotEmpty();
  }

  @Test
  void checksGoAlongWithTheAppThatNeedsThem() {
    send();
    keep("Salt Wren", "");
    String edition = api.get("/api/services/" + service).text("/edition");
    String app = "/api/apps/" + api.post("/api/apps", "{'name':'Desk'}").text("/id");
    api.post(
        app + "/edits",
        "{'version':1,'edit':{'kind':'addPage','service':'"
            + service
            + "','edition':'"
            + edition
            + "','operation':'VesselParticulars','endpoint':'BerthingSoap11','fields':[]}}");
    String file = api.file(app + "/file?samples=true");
    assertThat(file).contains("Salt Wren");

    try (TestServer other = TestServer.started()) {
      other.api().postAsIs("/api/app-files", "{\"file\":" + file + ",\"services\":{}}");
      assertThat(other.api().get("/api/samples").text("/samples/0/name")).isEqualTo("Salt Wren");
    }
  }
}
