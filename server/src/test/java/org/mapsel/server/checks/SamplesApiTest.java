package org.mapsel.server.checks;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

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
  void aPageIsShownWithASampleOfItsOwn() {
    send();
    keep("Many", ",'made':'MANY_ROWS'");
    String app = "/api/apps/" + api.post("/api/apps", "{'name':'Duty desk'}").text("/id");
    String edition = api.get("/api/services/" + service).text("/edition");
    for (int version = 1; version <= 2; version++) {
      api.post(
          app + "/edits",
          "{'version':%d,'edit':{'kind':'addPage','service':'%s','edition':'%s','operation':'%s','endpoint':'%s','fields':[['entry','key']]}}"
              .formatted(version, service, edition, "VesselParticulars", "BerthingSoap11"));
    }
    JsonNode pages = api.get(app).body().at("/pages");
    String first = app + "/pages/" + pages.at("/0/id").asString();
    String second = app + "/pages/" + pages.at("/1/id").asString();
    int answered = rows(first);
    String call = first + "/calls/" + api.get(first + "/bench").text("/calls/0/id");

    assertThat(api.put(call + "/sample", "{'sample':'Few'}").code())
        .isEqualTo("SERVER_SAMPLE_MISSING");
    assertThat(api.put(call + "/sample", "{'sample':'Many'}").status()).isEqualTo(204);
    assertThat(rows(first)).isEqualTo(50);
    assertThat(api.get(first + "/bench").text("/calls/0/sample")).isEqualTo("Many");
    assertThat(api.get(call).body().at("/sample/answer/entry")).hasSize(50);
    assertThat(rows(second)).isEqualTo(answered);

    api.delete(operation + "/samples/Many");
    assertThat(rows(first)).isEqualTo(answered);
    keep("Many", ",'made':'MANY_ROWS'");
    assertThat(rows(first)).isEqualTo(50);
    api.put(call + "/sample", "{}");
    assertThat(rows(first)).isEqualTo(answered);
  }

  private int rows(String page) {
    return api.get(page + "/bench")
        .body()
        .at("/page/parts")
        .valueStream()
        .filter(part -> part.has("rows"))
        .findFirst()
        .orElseThrow()
        .at("/rows/all")
        .asInt();
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
  void whatWentOverTheWireIsSentAgainKeptShownAndCompared() {
    String exchange = "/api/exchanges/" + send().text("/sent/exchange");
    Api.Answer again = api.post(exchange + "/repeats", "{}");
    assertThat(again.body().at("/findings")).isEmpty();
    String second = again.text("/exchange");
    assertThat(berthing.received()).hasSize(2);
    assertThat(berthing.received().getLast()).contains("S-1");

    assertThat(api.get(exchange + "/comparison?with=" + second).body().at("/deviations")).isEmpty();
    berthing.behave(
        answer ->
            FakeBerthing.write(
                answer,
                200,
                "text/xml",
                FakeBerthing.bytes(FakeBerthing.vessel().replace("6 lines", "8 lines"))));
    String third = send().text("/sent/exchange");
    JsonNode differs = api.get(exchange + "/comparison?with=" + third).body().at("/deviations/0");
    assertThat(differs.at("/expected").asString()).contains("6 lines");
    assertThat(differs.at("/actual").asString()).contains("8 lines");

    assertThat(api.post(exchange + "/samples", "{'name':'From the log'}").status()).isEqualTo(201);
    JsonNode kept =
        SERVER
            .bean(SampleStore.class)
            .line(service, "VesselParticulars", "From the log")
            .orElseThrow()
            .kept()
            .parameters();
    assertThat(kept.toString()).contains("S-1");
    api.post(exchange + "/uses", "{}");
    assertThat(api.get(operation).body().at("/sample/answer").toString()).contains("6 lines");

    berthing.behave(
        answer -> FakeBerthing.write(answer, 500, "text/plain", FakeBerthing.bytes("no")));
    String failed = "/api/exchanges/" + send().text("/sent/exchange");
    assertThat(api.post(failed + "/samples", "{'name':'Bad'}").status()).isEqualTo(422);
    assertThat(api.post("/api/exchanges/none/repeats", "{}").status()).isEqualTo(404);
  }

  @Test
  void answersThatSomebodyHasAreKeptAsSamples() {
    JsonMapper json = new JsonMapper();
    ObjectNode given = json.createObjectNode().put("name", "Pasted");
    given.put("text", FakeBerthing.vessel());
    assertThat(api.postAsIs(operation + "/given-samples", given.toString()).status())
        .isEqualTo(201);
    String exchange = "/api/exchanges/" + send().text("/sent/exchange");
    given.put("name", "Archived").put("text", api.get(exchange + "/har").body().toString());
    assertThat(api.postAsIs(operation + "/given-samples", given.toString()).status())
        .isEqualTo(201);

    SampleStore store = SERVER.bean(SampleStore.class);
    SampleStore.Line archived = store.line(service, "VesselParticulars", "Archived").orElseThrow();
    assertThat(archived.kept().parameters().toString()).contains("S-1");
    assertThat(archived.kept().answer())
        .isEqualTo(
            store.line(service, "VesselParticulars", "Pasted").orElseThrow().kept().answer());

    JsonNode wire = api.get(operation + "/samples/Archived/wire").body();
    assertThat(wire.at("/sent/body").asString()).contains(">S-1</");
    assertThat(wire.at("/came/body").asString()).isEqualTo(FakeBerthing.vessel());
    assertThat(api.get(operation + "/samples/Pasted/wire").body().has("sent")).isFalse();
    JsonNode content = api.get(operation + "/samples/Archived/content").body();
    api.put(operation + "/samples/Archived/content", content.toString());
    assertThat(api.get(operation + "/samples/Archived/wire").body()).isEmpty();

    given.put("text", "{}");
    assertThat(api.postAsIs(operation + "/given-samples", given.toString()).status())
        .isEqualTo(422);
    given.put("text", api.get(exchange + "/har").body().toString().replace("VesselPart", "Other"));
    assertThat(api.postAsIs(operation + "/given-samples", given.toString()).code())
        .isEqualTo("SAMPLE_NONE_GIVEN");
  }

  @Test
  void whatFailsIsASampleToo() {
    keep("Fails", ",'made':'FAULT'");
    api.post(operation + "/samples/Fails/uses", "{}");
    JsonNode shown = api.get(operation).body().at("/sample");
    assertThat(shown.at("/origin").asString()).isEqualTo("failed");
    assertThat(shown.at("/failure").asString()).contains("did not work: UnknownHull");

    api.put("/api/services/" + service + "/replay", "{'on':true}");
    assertThat(send().body().toString()).contains("did not work: UnknownHull");
    assertThat(berthing.received()).isEmpty();
    api.put("/api/services/" + service + "/replay", "{'on':false}");

    berthing.behave(
        answer ->
            FakeBerthing.write(
                answer,
                500,
                "text/xml",
                FakeBerthing.bytes(
                    "<s:Envelope xmlns:s='http://schemas.xmlsoap.org/soap/envelope/'><s:Body>"
                        + "<s:Fault><faultcode>s:Client</faultcode>"
                        + "<faultstring>No such hull</faultstring></s:Fault>"
                        + "</s:Body></s:Envelope>")));
    String exchange = "/api/exchanges/" + send().text("/sent/exchange");
    assertThat(api.post(exchange + "/samples", "{'name':'No hull'}").status()).isEqualTo(201);
    String sample = operation + "/samples/No%20hull";
    assertThat(api.get(sample + "/wire").body().at("/came/status").asInt()).isEqualTo(500);
    api.put(
        sample + "/check", "{'check':{'values':false,'ignored':[],'unordered':[],'tolerance':0}}");
    assertThat(
            sample(api.post(sample + "/verdicts", "{}"), "No hull")
                .at("/verdict/holds")
                .asBoolean())
        .as("it fails as it did")
        .isTrue();
    api.post(sample + "/uses", "{}");
    assertThat(api.get(operation).text("/sample/failure")).isEqualTo("No such hull");
    assertThat(send().status()).isEqualTo(200);
    assertThat(api.get(operation).text("/sample/origin")).isEqualTo("generated");
  }

  @Test
  void checksRunByThemselvesAsOftenAsIsWished() {
    send();
    keep("Salt Wren", "");
    String sample = operation + "/samples/Salt%20Wren";
    assertThat(api.put(sample + "/schedule", "{'everyMinutes':5}").code())
        .isEqualTo("SERVER_SAMPLE_NO_CHECK");
    api.put(
        sample + "/check", "{'check':{'values':false,'ignored':[],'unordered':[],'tolerance':0}}");
    assertThat(api.put(sample + "/schedule", "{'everyMinutes':0}").code())
        .isEqualTo("SERVER_CHECK_PAUSE_WRONG");
    JsonNode set = sample(api.put(sample + "/schedule", "{'everyMinutes':5}"), "Salt Wren");
    assertThat(set.at("/everyMinutes").asInt()).isEqualTo(5);
    assertThat(set.at("/runs")).isEmpty();

    ScheduledChecks checks = SERVER.bean(ScheduledChecks.class);
    api.put("/api/services/" + service + "/replay", "{'on':true}");
    checks.runDue();
    assertThat(sample(api.get("/api/samples"), "Salt Wren").at("/runs"))
        .as("nothing is told of a service that is not asked")
        .isEmpty();
    api.put("/api/services/" + service + "/replay", "{'on':false}");
    checks.runDue();
    checks.runDue();
    assertThat(sample(api.get("/api/samples"), "Salt Wren").at("/runs").valueStream())
        .as("once in five minutes")
        .singleElement()
        .satisfies(run -> assertThat(run.at("/holds").asBoolean()).isTrue());

    berthing.close();
    api.post(sample + "/verdicts", "{}");
    assertThat(sample(api.get("/api/samples"), "Salt Wren").at("/runs").valueStream())
        .extracting(run -> run.at("/holds").asBoolean())
        .containsExactly(true, false);
    api.delete(sample);
    assertThat(api.get("/api/samples").status()).isEqualTo(200);
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

  @Test
  void aSampleIsChangedByHandAsItsFieldsAllow() {
    send();
    keep("Typed", "");
    String content = operation + "/samples/Typed/content";
    assertThat(api.get(content).text("/answer/entry/0/value")).isEqualTo("129.7");

    Api.Answer refused =
        api.put(
            content, "{'parameters':{},'answer':{'hullNumber':'S-1','entry':[{'key':{'in':1}}]}}");
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().toString()).contains("entry › key");
    assertThat(api.get(content).text("/answer/entry/0/value")).isEqualTo("129.7");

    Api.Answer changed =
        api.put(
            content,
            "{'parameters':{'hullNumber':'S-9'},'answer':{'hullNumber':'S-1',"
                + "'entry':[{'key':'LOA','value':'130.1'},{'key':'TUGS'}]}}");
    assertThat(sample(changed, "Typed").at("/origin").asString()).isEqualTo("MADE");
    assertThat(api.get(content).body().at("/answer/entry")).hasSize(2);
    assertThat(api.get(content).text("/parameters/hullNumber")).isEqualTo("S-9");
    assertThat(api.put(content, "{'parameters':{}}").status()).isEqualTo(409);
    api.post(operation + "/samples/Typed/uses", "{}");
    assertThat(api.get(operation).text("/sample/answer/entry/0/value")).isEqualTo("130.1");
  }
}
