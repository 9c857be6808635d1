package org.mapsel.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.BerthingApp;
import org.mapsel.server.testing.FakeBerthing;
import tools.jackson.databind.JsonNode;

/** Pages that run, asked as browsers do. */
class RunsApiTest extends BerthingApp {

  private static final FakeBerthing.Behaviour USUAL =
      exchange ->
          FakeBerthing.write(exchange, 200, "text/xml", FakeBerthing.bytes(FakeBerthing.vessel()));

  private Api.Answer opened(String as) {
    return api.post(page() + "/runs", "{'as':'" + as + "','inputs':{},'arguments':{}}");
  }

  @Test
  void aPageRunsWithRealAnswersWhichBecomeItsSampleForBuilders() {
    edit(1, addPage);
    api.post(tries, "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'S-1'}}");
    Api.Answer visit = opened("REVIEWER");
    assertThat(visit.text("/page/parts/2/rows/content")).isEqualTo("NONE");

    Api.Answer run = press(visit, "S-20417");

    assertThat(run.text("/page/parts/2/rows/rows/0/cells/0/text")).isEqualTo("LOA");
    assertThat(run.body().at("/trace")).isEmpty();
    assertThat(run.body().at("/page/messages")).isEmpty();
    assertThat(bench().text("/page/parts/0/inputs/0/value"))
        .as("a visit is no sample")
        .isEqualTo("S-1");
    Api.Answer built = press(opened("BUILDER"), "S-20417");
    assertThat(called(built).at("/parameters/0/value").asString()).isEqualTo("S-20417");
    assertThat(called(built).at("/failed").asBoolean()).isFalse();
    assertThat(bench().text("/calls/0/origin")).isEqualTo("recorded");
    assertThat(bench().text("/page/parts/0/inputs/0/value")).isEqualTo("S-20417");
    assertThat(bench().text("/page/parts/2/rows/rows/1/cells/0/text")).isEqualTo("MOOR");
  }

  @Test
  void waitingForAServiceCanBeStoppedAndThePageGoesOnAfterwards() {
    edit(1, addPage);
    Api.Answer built = opened("BUILDER");
    String pressed =
        "{'inputs':{'%s':'S-20417'},'simulation':{'how':'SLOW'},'stop':'k-1',"
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
    assertThat(called(waiting.join()).at("/findings/0/code").asString())
        .isEqualTo("EXCHANGE_STOPPED");
    assertThat(waiting.join().text("/page/messages/0/text")).contains("not waited for any longer");
    assertThat(press(built, "S-20417").text("/page/parts/2/rows/content")).isEqualTo("FILLED");
  }

  @Test
  void aRunThatEndsWhileAServiceIsAskedSaysSo() {
    edit(1, addPage);
    Api.Answer visit = opened("REVIEWER");
    DSLContext sql = SERVER.bean(DSLContext.class);
    berthing.behave(
        exchange -> {
          sql.execute("delete from run");
          berthing.behave(USUAL);
          USUAL.answer(exchange);
        });

    assertThat(press(visit, "S-20417").code()).isEqualTo("SERVER_RUN_OVER");
  }

  @Test
  void badDaysCanBeTriedByThoseWhoBuildAndByNobodyElse() {
    edit(1, addPage);
    Api.Answer built = opened("BUILDER");

    Api.Answer failed = press(built, "S-20417", "{'how':'FAILING'}");
    assertThat(failed.text("/page/parts/2/rows/content")).isEqualTo("FAILED");
    assertThat(called(failed).at("/status").asInt()).isEqualTo(503);
    assertThat(told(failed)).contains("STEP which fails");
    Api.Answer dropped = press(built, "S-20417", "{'how':'DROPPED'}");
    assertThat(called(dropped).at("/findings/0/code").asString())
        .isEqualTo("EXCHANGE_ANSWER_DROPPED");
    assertThat(press(built, "S-20417").text("/page/parts/2/rows/content")).isEqualTo("FILLED");

    Api.Answer visit = opened("REVIEWER");
    assertThat(
            press(visit, "S-20417", "{'how':'FAILING'}")
                .text("/page/parts/2/rows/rows/0/cells/0/text"))
        .isEqualTo("LOA");
  }

  @Test
  void whatWasAnsweredStaysWithTheRunAndRowsAreHadAsTheyAreWanted() {
    edit(1, addPage);
    Api.Answer run = press(opened("REVIEWER"), "S-20417");
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
    Api.Answer run = press(opened("REVIEWER"), "S-20417");
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
    Api.Answer run = press(opened("REVIEWER"), "S-20417");
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
            + "','frame':{'width':'CONTENT','words':{'before':'','waiting':'','empty':'','failed':''},'buildersOnly':false,'within':'"
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
    Api.Answer visit = opened("REVIEWER");
    Api.Answer run = press(visit, "");

    assertThat(run.text("/page/messages/0/text")).isEqualTo("Please fill in: Hull number.");
    assertThat(run.body().at("/page/messages/0/failed").asBoolean()).isTrue();
  }

  /** The call that the trace tells of. */
  private static JsonNode called(Api.Answer run) {
    return run.body()
        .at("/trace")
        .valueStream()
        .filter(entry -> entry.has("call"))
        .map(entry -> entry.at("/call"))
        .findFirst()
        .orElseThrow();
  }

  private static List<String> told(Api.Answer run) {
    return run.body()
        .at("/trace")
        .valueStream()
        .map(entry -> entry.at("/kind").asString() + " " + entry.at("/words").asString())
        .toList();
  }

  @Test
  void whatHappensIsTracedToTheBytesAndBack() {
    edit(1, addPage);
    Api.Answer built = press(opened("BUILDER"), "S-20417");
    assertThat(told(built))
        .containsExactly(
            "EVENT Hull number is S-20417",
            "EVENT When Vessel particulars is pressed",
            "STEP calls VesselParticulars with Hull number S-20417");
    String exchange = called(built).at("/exchange").asString();
    assertThat(called(built).at("/parameters/0/from").asString()).isEqualTo("Hull number");

    String run = "/api/runs/" + built.text("/run");
    String column = built.text("/page/parts/2/rows/columns/0/id");
    Api.Answer origin = api.get(run + "/origins/" + column + "?row=1");
    assertThat(origin.text("/value")).isEqualTo("MOOR");
    assertThat(origin.text("/source")).isEqualTo("key");
    assertThat(origin.text("/answer/exchange")).isEqualTo(exchange);
    String body = api.get("/api/exchanges/" + exchange).text("/responseBody");
    int start = origin.body().at("/answer/mark/start").asInt();
    int end = origin.body().at("/answer/mark/end").asInt();
    assertThat(body.substring(start, end)).isEqualTo("MOOR");
    assertThat(body.substring(0, start)).endsWith("<t:key>");
    assertThat(
            origin
                .text("/answer/mark/line")
                .substring(origin.body().at("/answer/mark/from").asInt()))
        .startsWith("MOOR");

    Api.Answer seen = api.get(run + "/exchanges/" + exchange + "/shown?at=" + (start + 1));
    assertThat(seen.text("/shown/0/item")).isEqualTo(column);
    assertThat(seen.body().at("/shown/0/row").asInt()).isEqualTo(1);
    assertThat(seen.text("/shown/0/words")).endsWith(", row 2");
    assertThat(api.get(run + "/exchanges/" + exchange + "/shown?at=0").body().at("/shown"))
        .as("nothing is made of the declaration")
        .isEmpty();
    String input = built.text("/page/parts/0/inputs/0/id");
    assertThat(api.get(run + "/origins/" + input).text("/value")).isEqualTo("S-20417");
    assertThat(api.get(run + "/origins/gone").code()).isEqualTo("APP_PART_MISSING");
  }

  @Test
  void aPageThatWaitsIsShownSoUntilItIsAnswered() throws Exception {
    edit(1, addPage);
    Api.Answer visit = opened("REVIEWER");
    CountDownLatch seen = new CountDownLatch(1);
    berthing.behave(
        exchange -> {
          // Not before the page was told that it waits.
          seen.await();
          USUAL.answer(exchange);
        });
    List<JsonNode> lines = new ArrayList<>();
    api.lines(
        "/api/runs/" + visit.text("/run") + "/events",
        "{'inputs':{'%s':'S-20417'},'event':{'kind':'pressed','button':'%s'}}"
            .formatted(
                visit.text("/page/parts/0/inputs/0/id"), part(visit, "/page/parts", "button")),
        line -> {
          lines.add(line);
          seen.countDown();
        });
    berthing.behave(USUAL);

    assertThat(lines).hasSize(2);
    assertThat(lines.getFirst().at("/waiting/page/parts/2/rows/content").asString())
        .isEqualTo("WAITING");
    assertThat(lines.getLast().at("/run/page/parts/2/rows/content").asString()).isEqualTo("FILLED");
  }

  @Test
  void whatIsAnsweredFirstIsShownWhileTheOtherIsStillOut() throws Exception {
    edit(1, addPage);
    edit(2, addPage.replace("'addPage'", "'addCall','page':'" + pageId() + "'"));
    Api.Answer shown = bench();
    String second = "{'kind':'makeCall','call':'" + shown.text("/calls/1/id") + "'}";
    edit(3, step(pageId(), shown.text("/reactions/0/id"), second));
    Api.Answer visit = opened("BUILDER");
    CountDownLatch seen = new CountDownLatch(1);
    AtomicInteger asked = new AtomicInteger();
    berthing.behave(
        exchange -> {
          if (asked.getAndIncrement() > 0) {
            seen.await();
          }
          USUAL.answer(exchange);
        });
    Set<String> contents = new LinkedHashSet<>();
    api.lines(
        "/api/runs/" + visit.text("/run") + "/events",
        "{'inputs':{'%s':'S-20417','%s':'S-2'},'event':{'kind':'pressed','button':'%s'}}"
            .formatted(
                visit.text("/page/parts/0/inputs/0/id"),
                visit.text("/page/parts/3/inputs/0/id"),
                part(visit, "/page/parts", "button")),
        line -> {
          String both = tables(line.at("/waiting/page")) + tables(line.at("/run/page"));
          contents.add(both);
          if (both.contains("FILLED")) {
            seen.countDown();
          }
        });
    berthing.behave(USUAL);

    assertThat(contents).last().isEqualTo("FILLED FILLED ");
    assertThat(contents)
        .as("one is there, and the other is waited for")
        .containsAnyOf("FILLED WAITING ", "WAITING FILLED ");
  }

  private static String tables(JsonNode page) {
    StringBuilder contents = new StringBuilder();
    page.at("/parts")
        .valueStream()
        .filter(part -> part.at("/kind").asString().equals("table"))
        .forEach(part -> contents.append(part.at("/rows/content").asString()).append(' '));
    return contents.toString();
  }

  @Test
  void visitorsAreToldNothingOfHowValuesCame() {
    edit(1, addPage);
    Api.Answer visit = press(opened("REVIEWER"), "S-20417");
    String column = visit.text("/page/parts/2/rows/columns/0/id");
    assertThat(api.get("/api/runs/" + visit.text("/run") + "/origins/" + column + "?row=1").code())
        .isEqualTo("SERVER_RUN_OVER");
  }

  @Test
  void oneCallAloneCanMeetABadDayAndSamplesCanAnswerForIt() {
    edit(1, addPage);
    Api.Answer built = opened("BUILDER");
    String call = bench().text("/calls/0/id");

    assertThat(
            press(built, "S-20417", "{'how':'FAILING','call':'" + call + "'}")
                .text("/page/parts/2/rows/content"))
        .isEqualTo("FAILED");
    assertThat(
            press(built, "S-20417", "{'how':'FAILING','call':'another'}")
                .text("/page/parts/2/rows/content"))
        .isEqualTo("FILLED");
    int asked = berthing.received().size();
    Api.Answer played = press(built, "S-20417", "{'how':'SAMPLES'}");
    assertThat(called(played).at("/status").asInt()).isEqualTo(200);
    assertThat(berthing.received().size()).as("nothing is sent").isEqualTo(asked);
    assertThat(bench().text("/page/parts/2/rows/rows/1/cells/0/text"))
        .as("what was made up is no sample")
        .isEqualTo("MOOR");
  }
}
