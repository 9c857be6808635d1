package org.mapsel.server.apps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.BerthingApp;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Apps that are handed over: releases, files, start pages. */
class ReleasesApiTest extends BerthingApp {

  private static final int VISITORS = 100;
  private static final JsonMapper JSON = new JsonMapper();

  private String id;

  @BeforeEach
  void addFirstPage() {
    id = app.substring("/api/apps/".length());
    edit(addPage);
  }

  private Api.Answer edit(String edit) {
    long version = api.get(app).body().at("/version").asLong();
    return api.post(app + "/edits", "{'version':" + version + ",'edit':" + edit + "}");
  }

  private String firstPage() {
    return api.get(app).text("/pages/0/id");
  }

  private Api.Answer release(String note) {
    long version = api.get(app).body().at("/version").asLong();
    return api.post(
        app + "/releases", "{'version':" + version + ",'note':'" + note + "','author':'Rye'}");
  }

  private void renamePage(String name) {
    edit("{'kind':'renamePage','page':'" + firstPage() + "','name':'" + name + "'}");
  }

  private Api.Answer run(String as) {
    return api.post(
        app + "/pages/" + firstPage() + "/runs", "{'as':'" + as + "','inputs':{},'arguments':{}}");
  }

  @Test
  void visitorsSeeNothingBeforeTheFirstRelease() {
    assertThat(api.get("/api/open/" + id).status()).isEqualTo(409);
    assertThat(api.get("/api/open/" + id).text("/code")).isEqualTo("SERVER_RELEASE_NONE");
    assertThat(run("VISITOR").text("/code")).isEqualTo("SERVER_RELEASE_NONE");
    assertThat(run("REVIEWER").status()).isEqualTo(200);
  }

  @Test
  void aReleaseStaysAsItWasWhileTheDraftGoesOn() {
    renamePage("Particulars");
    assertThat(release("First").status()).isEqualTo(201);
    JsonNode before = api.get(app + "/file?release=1").body();

    renamePage("All about a vessel");

    assertThat(api.get(app + "/file?release=1").body()).isEqualTo(before);
    assertThat(api.get("/api/open/" + id).text("/pages/0/name")).isEqualTo("Particulars");
    assertThat(api.get("/api/open/" + id + "/draft").text("/pages/0/name"))
        .isEqualTo("All about a vessel");
    assertThat(api.get(app + "/releases").text("/draft/0/words"))
        .isEqualTo("renamed from Particulars");
    assertThat(run("VISITOR").text("/page/name")).isEqualTo("Particulars");
    assertThat(run("REVIEWER").text("/page/name")).isEqualTo("All about a vessel");
  }

  @Test
  void goingBackIsOnePressAndRunningVisitorsLoseNothing() {
    renamePage("One");
    release("First");
    String visitor = run("VISITOR").text("/run");
    renamePage("Two");
    release("Second");

    assertThat(api.get("/api/runs/" + visitor).text("/page/name")).isEqualTo("One");
    assertThat(run("VISITOR").text("/page/name")).isEqualTo("Two");

    Api.Answer back = api.put(app + "/releases/current", "{'number':1}");

    assertThat(back.body().at("/current").asLong()).isEqualTo(1);
    assertThat(back.body().at("/releases")).hasSize(2);
    assertThat(run("VISITOR").text("/page/name")).isEqualTo("One");
    assertThat(api.put(app + "/releases/current", "{'number':9}").status()).isEqualTo(404);
  }

  @Test
  void aHundredVisitorsLoseNothingOverAChangeOfRelease() throws Exception {
    renamePage("One");
    release("First");
    String input = run("VISITOR").text("/page/parts/0/inputs/0/id");
    List<String> visitors = new ArrayList<>();
    for (int i = 0; i < VISITORS; i++) {
      visitors.add(run("VISITOR").text("/run"));
    }
    CountDownLatch half = new CountDownLatch(VISITORS / 2);
    try (ExecutorService people = Executors.newVirtualThreadPerTaskExecutor()) {
      List<Future<Api.Answer>> typed = new ArrayList<>();
      for (String visitor : visitors) {
        typed.add(
            people.submit(
                () -> {
                  Api.Answer answer =
                      api.post(
                          "/api/runs/" + visitor + "/events",
                          "{'inputs':{'"
                              + input
                              + "':'"
                              + visitor
                              + "'},'event':{'kind':'entered'}}");
                  half.countDown();
                  return answer;
                }));
      }
      half.await();
      renamePage("Two");
      assertThat(release("Second").status()).isEqualTo(201);
      for (Future<Api.Answer> one : typed) {
        assertThat(one.get().status()).isEqualTo(200);
      }
    }

    assertThat(visitors)
        .allSatisfy(
            visitor -> {
              Api.Answer kept = api.get("/api/runs/" + visitor);
              assertThat(kept.text("/page/name")).isEqualTo("One");
              assertThat(kept.text("/page/parts/0/inputs/0/value")).isEqualTo(visitor);
            });
    assertThat(run("VISITOR").text("/page/name")).isEqualTo("Two");
  }

  @Test
  void anAppThatTakesTheIdOfARemovedOneHasReleasesOfItsOwn() {
    renamePage("Of the first");
    release("First");
    assertThat(api.get("/api/open/" + id).text("/pages/0/name")).isEqualTo("Of the first");
    assertThat(api.delete(app).status()).isEqualTo(204);

    assertThat(api.post("/api/apps", "{'name':'" + id + "'}").text("/id")).isEqualTo(id);
    edit(addPage);
    renamePage("Of the second");
    release("First");

    assertThat(api.get("/api/open/" + id).text("/pages/0/name")).isEqualTo("Of the second");
  }

  @Test
  void onlyWhatWasLookedAtIsReleased() {
    long version = api.get(app).body().at("/version").asLong();
    renamePage("Changed meanwhile");
    Api.Answer late =
        api.post(app + "/releases", "{'version':" + version + ",'note':'','author':''}");

    assertThat(late.status()).isEqualTo(409);
    assertThat(api.get(app + "/releases").body().at("/releases")).isEmpty();
  }

  @Test
  void aServiceThatOnlyAReleaseNeedsStays() {
    release("First");
    String service = api.get(app).text("/services/0/service");
    edit("{'kind':'removePage','page':'" + firstPage() + "'}");

    Api.Answer removed = api.delete("/api/services/" + service);

    assertThat(removed.status()).isEqualTo(409);
    assertThat(removed.text("/code")).isEqualTo("SERVER_SERVICE_USED");
  }

  @Test
  void anAppComesBackFromItsFileIntoAnEmptyWorkspaceAsItWas() {
    edit(
        "{'kind':'setStartPage','folio':{'sections':[{'title':'Desk','entries':[{'app':'','page':'"
            + firstPage()
            + "','name':'Vessels','line':'By hull'}]}]}}");
    String file = api.file(app + "/file");

    try (TestServer other = TestServer.started()) {
      Api empty = other.api();
      Api.Answer look = empty.postAsIs("/api/app-files/looks", file);
      assertThat(look.text("/services/0/state")).isEqualTo("INCLUDED");

      Api.Answer made = empty.postAsIs("/api/app-files", "{\"file\":" + file + ",\"services\":{}}");

      assertThat(made.status()).isEqualTo(201);
      assertThat(empty.file("/api/apps/" + made.text("/id") + "/file")).isEqualTo(file);
      assertThat(empty.get("/api/apps/" + made.text("/id")).body().at("/errors").asInt())
          .isEqualTo(api.get(app).body().at("/errors").asInt());
    }
  }

  @Test
  void aFileThatOnlyNamesItsServicesSaysWhatIsMissing() {
    String file = api.file(app + "/file?descriptions=false");
    try (TestServer other = TestServer.started()) {
      Api empty = other.api();
      Api.Answer refused =
          empty.postAsIs("/api/app-files", "{\"file\":" + file + ",\"services\":{}}");

      assertThat(refused.status()).isEqualTo(422);
      assertThat(refused.text("/findings/0/advice")).contains(berthing.description());
      assertThat(empty.get("/api/apps").body()).isEmpty();

      String service = empty.take(berthing.description());
      assertThat(
              empty
                  .postAsIs(
                      "/api/app-files",
                      "{\"file\":" + file + ",\"services\":{\"berthing\":\"" + service + "\"}}")
                  .status())
          .isEqualTo(201);
    }
  }

  @Test
  void aFileWithSomethingBrokenInItChangesNothing() {
    String file =
        api.file(app + "/file")
            .replaceFirst(
                "\\n  \\],\\n  \"model\"",
                ",{\"service\":\"broken\",\"edition\":\"x\",\"documents\":"
                    + "[{\"address\":\"b.wsdl\",\"text\":\"nonsense\"}]}],\"model\"");
    assertThat(file).contains("nonsense");
    try (TestServer other = TestServer.started()) {
      Api empty = other.api();
      assertThat(
              empty.postAsIs("/api/app-files", "{\"file\":" + file + ",\"services\":{}}").status())
          .isEqualTo(422);
      assertThat(empty.get("/api/services").body()).isEmpty();
      assertThat(empty.get("/api/apps").body()).isEmpty();
    }
  }

  @Test
  void theStartPageOfAllAppsIsArrangedAndTakenBack() {
    release("First");
    JsonNode usual = api.get("/api/start").body();
    assertThat(usual.at("/folio/sections").findValuesAsString("title")).contains("Duty desk");

    String folio =
        "{'sections':[{'title':'Mine','entries':[{'app':'"
            + id
            + "','page':'','name':'Desk','line':''}]}]}";
    long version = usual.at("/version").asLong();
    String request = "{'version':" + version + ",'folio':" + folio + "}";

    assertThat(api.put("/api/start", request).text("/folio/sections/0/title")).isEqualTo("Mine");
    assertThat(api.put("/api/start", request).status()).isEqualTo(409);
    assertThat(api.post("/api/start/undo", "{'version':" + (version + 1) + "}").body().at("/folio"))
        .isEqualTo(usual.at("/folio"));
  }
}
