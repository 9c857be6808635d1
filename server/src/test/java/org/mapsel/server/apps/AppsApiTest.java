package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
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
  private static String tries;

  private Api api;
  private String app;

  @BeforeAll
  static void takeBerthing() {
    berthing = new FakeBerthing();
    String service = SERVER.api().take(berthing.description());
    String edition = SERVER.api().get("/api/services/" + service).text("/edition");
    tries = "/api/services/" + service + "/operations/VesselParticulars/tries";
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

  /** The page that was made last. */
  private String page() {
    return app + "/pages/" + pageId();
  }

  private String pageId() {
    return api.get(app).body().at("/pages").valueStream().toList().getLast().at("/id").asString();
  }

  private Api.Answer bench() {
    return api.get(page() + "/bench");
  }

  private String call() {
    return bench().text("/calls/0/id");
  }

  private String use(String field, boolean used) {
    return "{'kind':'useField','page':'"
        + pageId()
        + "','call':'"
        + call()
        + "','path':['entry','"
        + field
        + "'],'used':"
        + used
        + "}";
  }

  /** The id of the part of a kind. */
  private static String part(Api.Answer page, String at, String kind) {
    return page.body()
        .at(at)
        .valueStream()
        .filter(part -> part.at("/kind").asString().equals(kind))
        .findFirst()
        .orElseThrow()
        .at("/id")
        .asString();
  }

  private Api.Answer press(Api.Answer run, String hull) {
    return press(run, hull, "NONE");
  }

  private Api.Answer press(Api.Answer run, String hull, String simulation) {
    return api.post(
        "/api/runs/" + run.text("/run") + "/events",
        "{'inputs':{'"
            + run.text("/page/parts/0/inputs/0/id")
            + "':'"
            + hull
            + "'},'event':{'kind':'pressed','button':'"
            + part(run, "/page/parts", "button")
            + "'},'simulation':'"
            + simulation
            + "'}");
  }

  @Test
  void editsCanBeUndoneAndDoneAgain() {
    edit(1, addPage);
    edit(2, use("value", true));
    Api.Answer named =
        edit(3, "{'kind':'renamePage','page':'" + pageId() + "','name':'Particulars'}");
    assertThat(named.text("/undo")).isEqualTo("Rename a page to Particulars");

    Api.Answer undone = move("undo", 4);
    assertThat(undone.text("/pages/0/name")).isEqualTo("Vessel particulars");
    assertThat(undone.text("/redo")).isEqualTo("Rename a page to Particulars");
    move("undo", 5);
    move("redo", 6);
    assertThat(bench().body().at("/page/parts/2/rows/columns")).hasSize(2);
    assertThat(move("redo", 7).text("/pages/0/name")).isEqualTo("Particulars");
    assertThat(move("redo", 8).code()).isEqualTo("SERVER_REDO_NONE");
  }

  @Test
  void aNewEditAfterUndoGoesAnotherWayAndGivesNoIdTwice() {
    edit(1, "{'kind':'addEmptyPage','name':'One'}");
    String undone = pageId();
    move("undo", 2);
    edit(3, "{'kind':'addEmptyPage','name':'Two'}");
    assertThat(pageId()).isNotEqualTo(undone);
    move("undo", 4);

    assertThat(move("redo", 5).text("/pages/0/name")).isEqualTo("Two");
    move("undo", 6);
    assertThat(move("undo", 7).code()).isEqualTo("SERVER_UNDO_NONE");
  }

  @Test
  void theLaterWriterOnAnOldVersionIsToldAndLosesNothing() {
    edit(1, "{'kind':'renameApp','name':'First'}");

    Api.Answer late = edit(1, "{'kind':'renameApp','name':'Second'}");

    assertThat(late.status()).isEqualTo(409);
    assertThat(late.code()).isEqualTo("SERVER_APP_CHANGED");
    assertThat(api.get(app).text("/name")).isEqualTo("First");
    assertThat(edit(2, "{'kind':'renameApp','name':'Second'}").text("/name")).isEqualTo("Second");
  }

  @Test
  void manyWritersAtOnceAreAllToldTheTruth() throws InterruptedException {
    Map<Integer, Integer> statuses = new ConcurrentHashMap<>();
    List<Thread> writers = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      writers.add(
          Thread.startVirtualThread(
              () -> {
                for (int version = 1; version <= 20; version++) {
                  int status = edit(version, "{'kind':'renameApp','name':'Me'}").status();
                  statuses.merge(status, 1, Integer::sum);
                }
              }));
    }
    for (Thread writer : writers) {
      writer.join();
    }

    assertThat(statuses.keySet()).containsOnly(200, 409);
    assertThat(statuses.get(200))
        .as("each version was written once")
        .isEqualTo(api.get(app).body().at("/version").asInt() - 1);
  }

  @Test
  void aWrongEditChangesNothing() {
    edit(1, addPage);

    Api.Answer wrong = edit(2, use("weight", true));

    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.code()).isEqualTo("APP_FIELD_MISSING");
    assertThat(edit(2, "{'kind':'renameApp','name':' '}").code()).isEqualTo("APP_NAME_EMPTY");
    assertThat(edit(2, "{'kind':'explode'}").code()).isEqualTo("SERVER_REQUEST_MALFORMED");
    assertThat(edit(2, "{'kind':'renameApp'}").status()).isEqualTo(400);
    assertThat(edit(2, "{'kind':'removePage','page':{'text':'p'}}").code())
        .isEqualTo("SERVER_REQUEST_MALFORMED");
    assertThat(api.get(app).body().at("/version").asInt()).isEqualTo(2);
  }

  @Test
  void severalEditsAreOneStepOfUndoOrNone() {
    edit(1, addPage);
    String both = "{'kind':'together','title':'Two','edits':[{'kind':'renameApp','name':'A'},%s]}";

    assertThat(edit(2, both.formatted(use("weight", true))).status()).isEqualTo(422);
    assertThat(api.get(app).text("/name")).isEqualTo("Duty desk");
    assertThat(edit(2, both.formatted(use("value", true))).text("/undo")).isEqualTo("Two");
    move("undo", 3);
    assertThat(api.get(app).text("/name")).isEqualTo("Duty desk");
  }

  @Test
  void aPageRunsWithRealAnswersWhichBecomeItsSampleForBuilders() {
    edit(1, addPage);
    api.post(tries, "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'S-1'}}");
    Api.Answer visit = api.post(page() + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}");
    assertThat(visit.text("/page/parts/2/rows/content")).isEqualTo("NONE");

    Api.Answer run = press(visit, "S-20417");

    assertThat(run.text("/page/parts/2/rows/rows/0/cells/0/text")).isEqualTo("LOA");
    assertThat(run.body().at("/trace")).isEmpty();
    assertThat(run.body().at("/page/messages")).isEmpty();
    assertThat(bench().text("/page/parts/0/inputs/0/value"))
        .as("a visit is no sample")
        .isEqualTo("S-1");
    Api.Answer built =
        press(api.post(page() + "/runs", "{'as':'BUILDER','inputs':{},'arguments':{}}"), "S-20417");
    assertThat(built.text("/trace/0/parameters/0/value")).isEqualTo("S-20417");
    assertThat(built.body().at("/trace/0/failed").asBoolean()).isFalse();
    assertThat(bench().text("/calls/0/origin")).isEqualTo("recorded");
    assertThat(bench().text("/page/parts/0/inputs/0/value")).isEqualTo("S-20417");
    assertThat(bench().text("/page/parts/2/rows/rows/1/cells/0/text")).isEqualTo("MOOR");
  }

  @Test
  void waitingForAServiceCanBeStoppedAndThePageGoesOnAfterwards() {
    edit(1, addPage);
    Api.Answer built = api.post(page() + "/runs", "{'as':'BUILDER','inputs':{},'arguments':{}}");
    String pressed =
        "{'inputs':{'%s':'S-20417'},'simulation':'SLOW','stop':'k-1',"
                .formatted(built.text("/page/parts/0/inputs/0/id"))
            + "'event':{'kind':'pressed','button':'"
            + part(built, "/page/parts", "button")
            + "'}}";
    CompletableFuture<Api.Answer> waiting =
        CompletableFuture.supplyAsync(
            () -> api.post("/api/runs/" + built.text("/run") + "/events", pressed));
    while (!waiting.isDone()) {
      assertThat(api.post("/api/stops/k-1", "{}").status()).isEqualTo(204);
    }
    assertThat(waiting.join().text("/trace/0/findings/0/code")).isEqualTo("EXCHANGE_STOPPED");
    assertThat(waiting.join().text("/page/messages/0/text")).contains("not waited for any longer");
    assertThat(press(built, "S-20417").text("/page/parts/2/rows/content")).isEqualTo("FILLED");
  }

  @Test
  void aRunThatEndsWhileAServiceIsAskedSaysSo() {
    edit(1, addPage);
    Api.Answer visit = api.post(page() + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}");
    DSLContext sql = SERVER.bean(DSLContext.class);
    FakeBerthing.Behaviour usual =
        exchange ->
            FakeBerthing.write(
                exchange, 200, "text/xml", FakeBerthing.bytes(FakeBerthing.vessel()));
    berthing.behave(
        exchange -> {
          sql.execute("delete from run");
          berthing.behave(usual);
          usual.answer(exchange);
        });

    assertThat(press(visit, "S-20417").code()).isEqualTo("SERVER_RUN_OVER");
  }

  @Test
  void badDaysCanBeTriedByThoseWhoBuildAndByNobodyElse() {
    edit(1, addPage);
    Api.Answer built = api.post(page() + "/runs", "{'as':'BUILDER','inputs':{},'arguments':{}}");

    Api.Answer failed = press(built, "S-20417", "FAILING");
    assertThat(failed.text("/page/parts/2/rows/content")).isEqualTo("FAILED");
    assertThat(failed.body().at("/trace/0/status").asInt()).isEqualTo(503);
    Api.Answer dropped = press(built, "S-20417", "DROPPED");
    assertThat(dropped.text("/trace/0/findings/0/code")).isEqualTo("EXCHANGE_ANSWER_DROPPED");
    assertThat(press(built, "S-20417").text("/page/parts/2/rows/content")).isEqualTo("FILLED");

    Api.Answer visit = api.post(page() + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}");
    assertThat(press(visit, "S-20417", "FAILING").text("/page/parts/2/rows/rows/0/cells/0/text"))
        .isEqualTo("LOA");
  }

  @Test
  void whatWasAnsweredStaysWithTheRunAndRowsAreHadAsTheyAreWanted() {
    edit(1, addPage);
    Api.Answer run =
        press(
            api.post(page() + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}"), "S-20417");
    String table = part(run, "/page/parts", "table");
    String at = "/api/runs/" + run.text("/run");

    Api.Answer later =
        api.post(
            at + "/events",
            "{'inputs':{},'event':{'kind':'chosen','part':'" + table + "','row':1}}");
    assertThat(later.text("/page/parts/2/rows/rows/0/cells/0/text")).isEqualTo("LOA");
    assertThat(later.body().at("/page/parts/2/rows/chosen").asInt()).isEqualTo(1);
    Api.Answer rows = api.get(at + "/parts/" + table + "/rows?from=1&count=1");
    assertThat(rows.text("/rows/0/cells/0/text")).isEqualTo("MOOR");
    assertThat(api.get("/api/runs/none/parts/x/rows?from=0&count=1").code())
        .isEqualTo("SERVER_RUN_OVER");
  }

  @Test
  void whatIsNotOnThePageForAVisitorCannotHappen() {
    edit(1, addPage);
    Api.Answer run =
        press(
            api.post(page() + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}"), "S-20417");
    String events = "/api/runs/" + run.text("/run") + "/events";
    String table = part(run, "/page/parts", "table");
    String button = part(run, "/page/parts", "button");

    assertThat(
            api.post(
                    events,
                    "{'inputs':{},'event':{'kind':'chosen','part':'" + table + "','row':9999}}")
                .code())
        .isEqualTo("SERVER_ROW_GONE");
    edit(
        2,
        "{'kind':'fillSlot','slot':{'kind':'ofPart','page':'"
            + pageId()
            + "','owner':'"
            + button
            + "','name':'shownIf'},'source':{'kind':'formula','text':'false'}}");
    assertThat(
            api.post(events, "{'inputs':{},'event':{'kind':'pressed','button':'" + button + "'}}")
                .code())
        .isEqualTo("SERVER_PART_HIDDEN");
    assertThat(api.get("/api/runs/" + run.text("/run")).text("/run")).isEqualTo(run.text("/run"));
    assertThat(api.get("/api/runs/nobody").code()).isEqualTo("SERVER_RUN_OVER");
  }

  @Test
  void aButtonInRowsIsPressedInARowThatIsThereAndNowhereElse() {
    edit(1, addPage);
    Api.Answer run =
        press(
            api.post(page() + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}"), "S-20417");
    String events = "/api/runs/" + run.text("/run") + "/events";
    String table = part(run, "/page/parts", "table");
    edit(2, "{'kind':'addButton','page':'" + pageId() + "','words':'Hail'}");
    String button = api.get(page() + "/bench").text("/page/parts/3/id");
    edit(
        3,
        "{'kind':'setFrame','page':'"
            + pageId()
            + "','part':'"
            + button
            + "','frame':{'width':'CONTENT','whenEmpty':'','buildersOnly':false,'within':'"
            + table
            + "'}}");

    String pressed = "{'inputs':{},'event':{'kind':'pressed','button':'" + button + "'";
    assertThat(api.post(events, pressed + "}}").code()).isEqualTo("SERVER_PART_HIDDEN");
    assertThat(api.post(events, pressed + ",'row':9999}}").code()).isEqualTo("SERVER_PART_HIDDEN");
    Api.Answer after = api.post(events, pressed + ",'row':1}}");
    assertThat(after.body().at("/page/parts/2/rows/chosen").asInt()).isEqualTo(1);
    assertThat(after.text("/page/parts/2/rows/buttons/0/heading")).isEqualTo("Hail");
  }

  @Test
  void aPageLeadsToAnotherAndBackWithWhatItSaid() {
    edit(1, addPage);
    String first = pageId();
    Api.Answer second = edit(2, "{'kind':'addEmptyPage','name':'Second'}");
    String other = second.text("/pages/1/id");
    edit(3, "{'kind':'addButton','page':'" + other + "','words':'Done'}");
    String reaction = api.get(app + "/pages/" + other + "/bench").text("/reactions/0/id");
    edit(4, step(other, reaction, "{'kind':'say'}"));
    String say = api.get(app + "/pages/" + other + "/bench").text("/reactions/0/steps/0/id");
    edit(
        5,
        "{'kind':'fillSlot','slot':{'kind':'ofPart','page':'"
            + other
            + "','owner':'"
            + say
            + "','name':'words'},'source':{'kind':'fixed','text':'All done'}}");
    edit(6, step(other, reaction, "{'kind':'goBack'}"));
    String send = api.get(app + "/pages/" + first + "/bench").text("/reactions/0/id");
    Api.Answer led =
        edit(7, step(first, send, "{'kind':'goTo','page':'" + other + "','arguments':[]}"));
    assertThat(led.status()).as(led.body().toString()).isEqualTo(200);

    Api.Answer run =
        press(
            api.post(
                app + "/pages/" + first + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}"),
            "S-20417");
    assertThat(run.text("/leads/page")).isEqualTo(other);
    String there = run.text("/leads/run");
    Api.Answer opened = api.get("/api/runs/" + there);
    Api.Answer back =
        api.post(
            "/api/runs/" + there + "/events",
            "{'inputs':{},'event':{'kind':'pressed','button':'"
                + part(opened, "/page/parts", "button")
                + "'}}");
    assertThat(back.text("/leads/kind")).isEqualTo("back");
    assertThat(back.text("/leads/run")).isEqualTo(run.text("/run"));
    Api.Answer again = api.get("/api/runs/" + run.text("/run"));
    assertThat(again.text("/page/messages/0/text")).isEqualTo("All done");
    assertThat(again.text("/page/parts/0/inputs/0/value")).isEqualTo("S-20417");
  }

  private static String step(String page, String reaction, String action) {
    return "{'kind':'addStep','page':'"
        + page
        + "','reaction':'"
        + reaction
        + "','failure':false,'action':"
        + action
        + "}";
  }

  @Test
  void aFailedCallBecomesAMessage() {
    edit(1, addPage);
    Api.Answer visit = api.post(page() + "/runs", "{'as':'REVIEWER','inputs':{},'arguments':{}}");
    Api.Answer run = press(visit, "");

    assertThat(run.text("/page/messages/0/text")).isEqualTo("Please fill in: Hull number.");
    assertThat(run.body().at("/page/messages/0/failed").asBoolean()).isTrue();
  }

  @Test
  void findingsSayWhereAndCanBeMended() {
    edit(1, addPage);
    String input = bench().text("/page/parts/0/inputs/0/id");
    edit(2, "{'kind':'removeItem','page':'" + pageId() + "','item':'" + input + "'}");

    Api.Answer findings = api.get(app + "/findings");
    assertThat(findings.text("/0/finding/code")).isEqualTo("PAGE_PARAMETER_UNFILLED");
    assertThat(findings.text("/0/subject/kind")).isEqualTo("aboutSlot");
    assertThat(api.get(app).body().at("/errors").asInt()).isEqualTo(1);
    edit(3, findings.body().at("/0/repairs/0/edit").toString().replace('"', '\''));
    assertThat(api.get(app + "/findings").body()).isEmpty();
  }

  @Test
  void theModelIsSharedAndDerivedFieldsHaveValuesAsTheyAreMade() {
    edit(1, addPage);
    press(api.post(page() + "/runs", "{'as':'BUILDER','inputs':{},'arguments':{}}"), "S-20417");
    String field =
        bench()
            .body()
            .at("/items")
            .valueStream()
            .filter(item -> item.at("/kind").asString().equals("column"))
            .findFirst()
            .orElseThrow()
            .at("/field/ref")
            .toString()
            .replace('"', '\'');
    edit(2, "{'kind':'setModelField','field':" + field + ",'set':{'label':'What'}}");
    assertThat(bench().text("/page/parts/2/rows/columns/0/label")).isEqualTo("What");

    Api.Answer model = api.get(app + "/model");
    List<String> names = model.body().at("/types").findValuesAsString("name");
    Api.Answer type = api.get(app + "/model/types/" + model.text("/types/0/id"));
    assertThat(names).isNotEmpty();
    assertThat(type.body().at("/rows")).isNotEmpty();
    String shape = model.body().at("/types/0/shapes/0/ref").toString().replace('"', '\'');
    Api.Answer preview =
        api.post(
            app + "/derived",
            "{'shape':" + shape + ",'rule':{'kind':'computed','formula':'size(hullNumber)'}}");
    assertThat(preview.text("/type")).isEqualTo("whole number");
    assertThat(preview.text("/values/0")).isEqualTo("7");
    assertThat(
            api.post(
                    app + "/derived",
                    "{'shape':" + shape + ",'rule':{'kind':'computed','formula':'hull'}}")
                .text("/findings/0/code"))
        .isEqualTo("FORMULA_WRONG");
  }
}
