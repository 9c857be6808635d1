package org.mapsel.server.testing;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.RegisterExtension;

/** An app over a service that we play, as its builders talk to it. */
public abstract class BerthingApp {

  @RegisterExtension protected static final TestServer SERVER = new TestServer();

  protected static FakeBerthing berthing;
  protected static String addPage;
  protected static String tries;

  protected Api api;
  protected String app;

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

  protected Api.Answer edit(long version, String edit) {
    return api.post(app + "/edits", "{'version':" + version + ",'edit':" + edit + "}");
  }

  protected Api.Answer move(String direction, long version) {
    return api.post(app + "/" + direction, "{'version':" + version + "}");
  }

  /** The page that was made last. */
  protected String page() {
    return app + "/pages/" + pageId();
  }

  protected String pageId() {
    return api.get(app).body().at("/pages").valueStream().toList().getLast().at("/id").asString();
  }

  protected Api.Answer bench() {
    return api.get(page() + "/bench");
  }

  protected String call() {
    return bench().text("/calls/0/id");
  }

  protected String use(String field, boolean used) {
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
  protected static String part(Api.Answer page, String at, String kind) {
    return page.body()
        .at(at)
        .valueStream()
        .filter(part -> part.at("/kind").asString().equals(kind))
        .findFirst()
        .orElseThrow()
        .at("/id")
        .asString();
  }

  protected Api.Answer press(Api.Answer run, String hull) {
    return press(run, hull, "{'how':'NONE'}");
  }

  /** Presses the button while services are made to look in some way. */
  protected Api.Answer press(Api.Answer run, String hull, String simulation) {
    return api.post(
        "/api/runs/" + run.text("/run") + "/events",
        "{'inputs':{'"
            + run.text("/page/parts/0/inputs/0/id")
            + "':'"
            + hull
            + "'},'event':{'kind':'pressed','button':'"
            + part(run, "/page/parts", "button")
            + "'},'simulation':"
            + simulation
            + "}");
  }
}
