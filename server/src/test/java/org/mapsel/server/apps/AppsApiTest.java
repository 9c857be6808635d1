package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.BerthingApp;

class AppsApiTest extends BerthingApp {

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
