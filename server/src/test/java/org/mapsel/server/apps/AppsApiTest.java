package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

class AppsApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static FakeBerthing berthing;
  private static String addPage;

  private Api api;
  private String app;

  @BeforeAll
  static void takeBerthing() {
    berthing = new FakeBerthing();
    String service = SERVER.api().take(berthing.description());
    String edition = SERVER.api().get("/api/services/" + service).text("/edition");
    addPage =
        "{'kind':'addPage','service':'"
            + service
            + "','edition':'"
            + edition
            + "','operation':'VesselParticulars','endpoint':'BerthingSoap11','fields':[['entry','key']]}";
  }

  @AfterAll
  static void stop() {
    berthing.close();
  }

  @BeforeEach
  void newApp() {
    api = SERVER.api();
    app = "/api/apps/" + api.post("/api/apps", "{'name':'Duty desk'}").text("/id");
  }

  private Api.Answer edit(long version, String edit) {
    return api.post(app + "/edits", "{'version':" + version + ",'edit':" + edit + "}");
  }

  private Api.Answer move(String direction, long version) {
    return api.post(app + "/" + direction, "{'version':" + version + "}");
  }

  @Test
  void editsCanBeUndoneAndDoneAgain() {
    edit(1, addPage);
    edit(
        2, "{'kind':'useField','page':'page1','call':'call','path':['entry','value'],'used':true}");
    Api.Answer named = edit(3, "{'kind':'renamePage','page':'page1','name':'Particulars'}");
    assertThat(named.text("/undo")).isEqualTo("Rename a page to Particulars");

    Api.Answer undone = move("undo", 4);
    assertThat(undone.text("/app/pages/0/name")).isEqualTo("Vessel particulars");
    assertThat(undone.text("/redo")).isEqualTo("Rename a page to Particulars");
    move("undo", 5);
    assertThat(move("redo", 6).body().at("/app/pages/0/parts/2/items")).hasSize(2);
    assertThat(move("redo", 7).text("/app/pages/0/name")).isEqualTo("Particulars");
    assertThat(move("redo", 8).code()).isEqualTo("SERVER_REDO_NONE");
  }

  @Test
  void aNewEditAfterUndoGoesAnotherWay() {
    edit(1, "{'kind':'renameApp','name':'One'}");
    move("undo", 2);
    edit(3, "{'kind':'renameApp','name':'Two'}");
    move("undo", 4);

    assertThat(move("redo", 5).text("/app/name")).isEqualTo("Two");
    move("undo", 6);
    assertThat(move("undo", 7).code()).isEqualTo("SERVER_UNDO_NONE");
  }

  @Test
  void theLaterWriterOnAnOldVersionIsToldAndLosesNothing() {
    edit(1, "{'kind':'renameApp','name':'First'}");

    Api.Answer late = edit(1, "{'kind':'renameApp','name':'Second'}");

    assertThat(late.status()).isEqualTo(409);
    assertThat(late.code()).isEqualTo("SERVER_APP_CHANGED");
    assertThat(api.get(app).text("/app/name")).isEqualTo("First");
    assertThat(edit(2, "{'kind':'renameApp','name':'Second'}").text("/app/name"))
        .isEqualTo("Second");
  }

  @Test
  void aWrongEditChangesNothing() {
    edit(1, addPage);

    Api.Answer wrong =
        edit(
            2,
            "{'kind':'useField','page':'page1','call':'call','path':['entry','weight'],'used':true}");

    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.code()).isEqualTo("APP_FIELD_MISSING");
    assertThat(edit(2, "{'kind':'renameApp','name':' '}").code()).isEqualTo("APP_NAME_EMPTY");
    assertThat(edit(2, "{'kind':'explode'}").code()).isEqualTo("SERVER_REQUEST_MALFORMED");
    assertThat(api.get(app).body().at("/version").asInt()).isEqualTo(2);
  }

  @Test
  void aPageRunsWithRealAnswersWhichBecomeItsSampleWhenWanted() {
    edit(1, addPage);
    String press =
        "{'inputs':{'hullNumber':'S-20417'},'event':{'kind':'pressed','button':'send'},'keep':";
    assertThat(api.get(app + "/pages/page1/preview").text("/origins/call")).isEqualTo("generated");

    Api.Answer run = api.post(app + "/pages/page1/events", press + "false}");

    assertThat(run.text("/contents/table/0/key")).isEqualTo("LOA");
    assertThat(run.text("/trace/0/parameters/0/value")).isEqualTo("S-20417");
    assertThat(run.body().at("/trace/0/failed").asBoolean()).isFalse();
    assertThat(run.body().at("/messages")).isEmpty();
    assertThat(api.get(app + "/pages/page1/preview").text("/origins/call")).isEqualTo("generated");
    api.post(app + "/pages/page1/events", press + "true}");
    Api.Answer preview = api.get(app + "/pages/page1/preview");
    assertThat(preview.text("/origins/call")).isEqualTo("recorded");
    assertThat(preview.text("/inputs/hullNumber")).isEqualTo("S-20417");
    assertThat(preview.text("/contents/table/1/key")).isEqualTo("MOOR");
  }

  @Test
  void aFailedCallBecomesAMessage() {
    edit(1, addPage);
    Api.Answer run =
        api.post(
            app + "/pages/page1/events",
            "{'inputs':{},'event':{'kind':'pressed','button':'send'},'keep':false}");

    assertThat(run.text("/messages/0/text")).contains("hullNumber is required");
    assertThat(run.body().at("/messages/0/failed").asBoolean()).isTrue();
    assertThat(run.body().at("/contents").isEmpty()).isTrue();
  }
}
