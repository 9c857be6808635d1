package org.mapsel.server.tables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** From a file of tables to a service, and everything that is done with that. */
class TablesApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final JsonMapper JSON = new JsonMapper();

  private final HttpClient http = HttpClient.newHttpClient();
  private Api api;

  @BeforeEach
  void open() {
    api = SERVER.api();
  }

  private HttpRequest.Builder file(String path, String name, String text) {
    String address =
        api.address()
            + path
            + (path.contains("?") ? "&" : "?")
            + "name="
            + name.replace(" ", "%20");
    return HttpRequest.newBuilder(URI.create(address))
        .header("Origin", api.address())
        .header("Content-Type", "application/octet-stream")
        .POST(HttpRequest.BodyPublishers.ofString(text));
  }

  private static String berths() {
    try (InputStream in = TablesApiTest.class.getResourceAsStream("/tables/berth-book.csv")) {
      return new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Waits for what goes on in the background. */
  private JsonNode ended(Api.Answer begun) {
    assertThat(begun.status()).isEqualTo(202);
    String load = "/api/tables/loads/" + begun.text("/id");
    return await()
        .until(() -> api.get(load).body(), view -> !view.at("/state").asString().equals("RUNNING"));
  }

  /** What is proposed of a file, with everything allowed. */
  private ObjectNode proposed(Api.Answer draft) {
    ObjectNode offer = (ObjectNode) draft.body().get("offer");
    ((ObjectNode) offer.at("/tables/0"))
        .set("changes", JSON.readTree("[\"CREATE\",\"CHANGE\",\"DELETE\"]"));
    return offer;
  }

  private String offered(String name, String text, boolean keyed) {
    Api.Answer draft = api.send(file("/api/tables/drafts", name, text));
    ObjectNode wish = JSON.createObjectNode();
    wish.set("offer", proposed(draft));
    wish.put("keyed", keyed).put("leaveOut", true);
    JsonNode loaded =
        ended(api.postAsIs("/api/tables/drafts/" + draft.text("/id") + "/loads", wish.toString()));
    assertThat(loaded.at("/state").asString()).isEqualTo("DONE");
    return loaded.at("/offered").asString();
  }

  private HttpResponse<String> ask(String method, String path, String body, String... headers)
      throws Exception {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(api.address() + "/offered/" + path))
            .method(method, HttpRequest.BodyPublishers.ofString(body));
    for (int i = 0; i < headers.length; i += 2) {
      request.header(headers[i], headers[i + 1]);
    }
    return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
  }

  @Test
  void wrongCellsAreToldAndNothingIsOfferedUntilItIsSaidWhatBecomesOfThem() throws Exception {
    Api.Answer draft = api.send(file("/api/tables/drafts", "Wrong berths.csv", berths()));
    ObjectNode wish = JSON.createObjectNode();
    wish.set("offer", proposed(draft));

    JsonNode loaded =
        ended(api.postAsIs("/api/tables/drafts/" + draft.text("/id") + "/loads", wish.toString()));

    assertThat(loaded.at("/state").asString()).isEqualTo("WRONG");
    assertThat(loaded.at("/wrong").valueStream().map(cell -> cell.at("/row").asInt()))
        .containsExactly(10, 16, 21);
    assertThat(loaded.at("/wrong/2/why").asString()).isEqualTo("has the key of an earlier row");
    assertThat(ask("GET", "wrong-berths/openapi.json", "").statusCode()).isEqualTo(404);
  }

  @Test
  void rowsAreAskedForOverEveryProtocolWithRealTypes() throws Exception {
    String offer = offered("Many berths.csv", berths(), false);

    JsonNode page =
        JSON.readTree(
            ask(
                    "GET",
                    offer
                        + "/odata/ManyBerths?$count=true&$top=2&$orderby=depth%20desc"
                        + "&$filter=surveyed%20gt%202030-01-01%20and%20contains(basin,'or')",
                    "")
                .body());
    assertThat(page.at("/@odata.count").asInt()).isEqualTo(4);
    assertThat(page.at("/value/0/code").asString()).isEqualTo("N01");
    assertThat(page.at("/value/0/depth").decimalValue()).isEqualTo("10.89");
    String not = "/odata/ManyBerths?$count=true&$top=0&$filter=not%20(remarks%20eq%20'x')";
    assertThat(JSON.readTree(ask("GET", offer + not, "").body()).at("/@odata.count").asInt())
        .isEqualTo(21);

    HttpResponse<String> soap =
        ask(
            "POST",
            offer + "/soap12",
            "<s:Envelope xmlns:s='http://www.w3.org/2003/05/soap-envelope'><s:Body>"
                + "<ListManyBerths xmlns='urn:offered:manyBerths'><basin>Mole</basin>"
                + "<orderBy>code desc</orderBy><top>1</top></ListManyBerths></s:Body></s:Envelope>",
            "Content-Type",
            "application/soap+xml");
    assertThat(soap.body()).contains(">M06<").contains("total>5<");

    assertThat(ask("GET", offer + "/ManyBerths.csv", "").body().lines())
        .hasSize(22)
        .contains("N04,North,140.5,10.4,true,2030-05-14,50.00,\"Fenders \"\"heavy\"\"\"");
    JsonNode all = JSON.readTree(ask("GET", offer + "/ManyBerths.json", "").body());
    assertThat(all).hasSize(21);
    assertThat(all.at("/0/depth").decimalValue()).isEqualTo("10.89");
  }

  @Test
  void changesAreKeptAndLateOnesRefused() throws Exception {
    String offer = offered("Changed berths.csv", berths(), false);
    String one = offer + "/odata/ChangedBerths('N02')";
    String json = "application/json";

    assertThat(
            ask("PATCH", one, "{\"depth\":9.75}", "If-Match", "W/\"1\"", "Content-Type", json)
                .statusCode())
        .isEqualTo(200);
    assertThat(
            ask("PATCH", one, "{\"depth\":1}", "If-Match", "W/\"1\"", "Content-Type", json)
                .statusCode())
        .isEqualTo(412);
    for (String wrong :
        List.of(
            "{\"remarks\":\"a\\u0000b\"}",
            "{\"surveyed\":\"+999999999-01-01\"}",
            "{\"depth\":1e999}")) {
      assertThat(ask("PATCH", one, wrong, "Content-Type", json).statusCode())
          .as(wrong)
          .isEqualTo(400);
    }
    assertThat(ask("PATCH", one, "{\"depth\":\"deep\"}", "Content-Type", json).statusCode())
        .isEqualTo(400);
    assertThat(JSON.readTree(ask("GET", one, "").body()).at("/depth").decimalValue())
        .isEqualTo("9.75");
    assertThat(
            ask(
                    "POST",
                    offer + "/http/changedBerths",
                    "{\"code\":\"N02\",\"basin\":\"Old\",\"length\":1,"
                        + "\"depth\":1,\"crane\":true,\"surveyed\":\"2031-01-01\",\"dues\":1}",
                    "Content-Type",
                    json)
                .statusCode())
        .isEqualTo(409);
    assertThat(ask("DELETE", one, "").statusCode()).isEqualTo(204);
    assertThat(ask("GET", one, "").statusCode()).isEqualTo(404);
  }

  @Test
  void onlyThoseWithAKeyMayAskAndTheLogSaysWho() throws Exception {
    String offer = offered("Kept berths.csv", berths(), true);
    String path = offer + "/http/keptBerths?top=1";
    JsonNode client = api.post("/api/tables/" + offer + "/clients", "{'name':'Pilots'}").body();
    String key = client.at("/key").asString();

    assertThat(ask("GET", path, "").statusCode()).isEqualTo(401);
    assertThat(ask("GET", path, "", "X-API-Key", key + "x").statusCode()).isEqualTo(401);
    assertThat(ask("GET", path, "", "Authorization", "Bearer " + key).statusCode()).isEqualTo(200);
    assertThat(api.get("/api/tables/" + offer + "/requests").text("/0/client")).isEqualTo("Pilots");
    assertThat(api.file("/api/tables/" + offer)).doesNotContain(key);

    api.put("/api/tables/" + offer + "/settings", "{'keyed':true,'paused':false,'perMinute':1}");
    assertThat(ask("GET", path, "", "X-API-Key", key).statusCode()).isEqualTo(200);
    assertThat(ask("GET", path, "", "X-API-Key", key).statusCode()).isEqualTo(429);
    api.put("/api/tables/" + offer + "/settings", "{'keyed':true,'paused':true,'perMinute':9}");
    assertThat(ask("GET", path, "", "X-API-Key", key).statusCode()).isEqualTo(503);
    HttpResponse<String> soap = ask("POST", offer + "/soap", "<a/>", "X-API-Key", key);
    assertThat(soap.statusCode()).isEqualTo(503);
    assertThat(soap.body()).contains("<faultcode>s:Server</faultcode>", "It is paused");
    api.delete("/api/tables/" + offer + "/clients/" + client.at("/client/id").asString());
    assertThat(ask("GET", path, "", "X-API-Key", key).statusCode()).isEqualTo(401);
  }

  @Test
  void foreignPagesCannotChangeRows() throws Exception {
    String offer = offered("Own berths.csv", berths(), false);

    assertThat(
            ask(
                    "DELETE",
                    offer + "/odata/OwnBerths('N02')",
                    "",
                    "Origin",
                    "http://elsewhere.example")
                .statusCode())
        .isEqualTo(403);
    assertThat(ask("GET", offer + "/odata/OwnBerths('N02')", "").statusCode()).isEqualTo(200);
  }

  @Test
  void anOfferIsTakenLikeAnyServiceAndTried() {
    String offer = offered("Taken berths.csv", berths(), true);

    Api.Answer service = api.post("/api/tables/" + offer + "/service", "{}");
    Api.Answer tried =
        api.post(
            "/api/services/" + service.text("/id") + "/operations/TakenBerths.read/tries",
            "{'endpoint':'main','parameters':{'code':'N02'}}");

    assertThat(tried.text("/answer/basin")).isEqualTo("North");
    assertThat(api.get("/api/tables/" + offer).text("/service")).isEqualTo(service.text("/id"));
  }

  @Test
  void otherRowsComeAllAtOnceAndNoReaderSeesHalf() throws Exception {
    String first = table("A");
    String second = table("B");
    String offer = offered("Swapped.csv", first, false);
    String all = offer + "/http/swappeds?top=1000";
    AtomicBoolean ended = new AtomicBoolean();
    List<Future<Set<String>>> readers = new ArrayList<>();
    try (ExecutorService pool = Executors.newVirtualThreadPerTaskExecutor()) {
      for (int i = 0; i < 200; i++) {
        readers.add(pool.submit(() -> states(all, ended)));
      }
      for (String text : List.of(second, first, second)) {
        JsonNode loaded =
            ended(api.send(file("/api/tables/" + offer + "/replacements", "Swapped.csv", text)));
        assertThat(loaded.at("/differences/0/changed").asInt()).isEqualTo(500);
        api.post("/api/tables/" + offer + "/replacements/" + loaded.at("/id").asString(), "{}");
      }
      ended.set(true);
      for (Future<Set<String>> reader : readers) {
        assertThat(reader.get()).isSubsetOf("A", "B");
      }
    }
    assertThat(states(all, new AtomicBoolean(true))).containsExactly("B");
  }

  private static String table(String state) {
    return "Code,State\n"
        + IntStream.range(0, 500)
            .mapToObj(i -> "K" + i + "," + state + "\n")
            .collect(Collectors.joining());
  }

  /** What the rows say, each time they are asked for: one state if they are of one piece. */
  private Set<String> states(String path, AtomicBoolean ended) throws Exception {
    Set<String> states = new HashSet<>();
    do {
      HttpResponse<String> answer = ask("GET", path, "");
      assertThat(answer.statusCode()).isEqualTo(200);
      states.add(
          JSON.readTree(answer.body())
              .at("/rows")
              .valueStream()
              .map(row -> row.at("/state").asString())
              .distinct()
              .collect(Collectors.joining()));
    } while (!ended.get());
    return states;
  }

  @Test
  void theDifferenceIsToldBeforeRowsAreReplaced() {
    String offer = offered("Told.csv", "Code,State,Wet\nK1,A,yes\nK2,A,no\nK3,A,no\n", false);
    String file = "Code,State,Deep\nK1,B,1\nK2,A,2\nK4,A,3\n";

    JsonNode wrong =
        ended(api.send(file("/api/tables/" + offer + "/replacements", "Told.csv", file)));
    assertThat(wrong.at("/findings/0/code").asString()).isEqualTo("TABLE_COLUMN_GONE");
    String more = "Code,State,Wet,Deep\nK1,B,yes,1\nK2,A,no,2\nK4,A,no,3\n";
    JsonNode told =
        ended(api.send(file("/api/tables/" + offer + "/replacements", "Told.csv", more)));
    assertThat(told.at("/differences/0").toString())
        .isEqualTo(
            "{\"table\":\"Tolds\",\"added\":1,\"changed\":1,\"gone\":1,\"renamed\":[],\"dropped\":[],\"retyped\":[],\"more\":[\"Deep\"]}");
    api.delete("/api/tables/loads/" + told.at("/id").asString());
    assertThat(api.get("/api/tables/" + offer).body().at("/rows/0/rows").asInt()).isEqualTo(3);
  }

  @Test
  void columnsThatAreCalledOtherwiseAreFollowedUnderTheirNames() throws Exception {
    String offer =
        offered(
            "Buoys.csv",
            "Buoy code,Depth,Serviced\nB1,12,2031-02-01\nB2,9,2031-02-03\nB3,7,2031-02-05\n",
            false);
    String file =
        "Code of buoy,Depth,Last service\nB1,deep,2031-02-01\nB2,9,2031-02-03\n"
            + "B3,8,2031-02-05\nB4,x,2031-02-06\n";
    String replace = "/api/tables/" + offer + "/replacements";

    JsonNode told = ended(api.send(file(replace + "?leaveOut=true", "Buoys.csv", file)));

    assertThat(told.at("/differences/0/renamed").valueStream())
        .extracting(one -> one.at("/column").asString() + " → " + one.at("/header").asString())
        .containsExactly("Buoy code → Code of buoy", "Serviced → Last service");
    assertThat(told.at("/differences/0/retyped/0").toString())
        .isEqualTo("{\"column\":\"Depth\",\"before\":\"whole number\",\"after\":\"text\"}");
    assertThat(told.at("/differences/0/changed").asInt()).isEqualTo(1);
    api.post(replace + "/" + told.at("/id").asString(), "{}");
    JsonNode rows = JSON.readTree(ask("GET", offer + "/http/buoys", "").body()).at("/rows");
    assertThat(rows.at("/0/buoyCode").asString()).isEqualTo("B2");
    assertThat(rows.at("/0/serviced").asString()).isEqualTo("2031-02-03");
    JsonNode again = ended(api.send(file(replace + "?leaveOut=true", "Buoys.csv", file)));
    assertThat(again.at("/differences/0/renamed")).isEmpty();
    JsonNode strict =
        ended(
            api.send(
                file(
                    replace + "?follow=false",
                    "Buoys.csv",
                    file.replace("Code of buoy", "Buoy code"))));
    assertThat(strict.at("/findings/0/code").asString()).isEqualTo("TABLE_COLUMN_GONE");
  }

  @Test
  void filesThatAreNoTablesAreRefused() {
    assertThat(api.send(file("/api/tables/drafts", "a.xlsx", "no workbook")).code())
        .isEqualTo("TABLE_FILE_BROKEN");
    assertThat(api.send(file("/api/tables/drafts", "a.csv", "Only,Names\n")).code())
        .isEqualTo("TABLE_EMPTY");
    assertThat(api.send(file("/api/tables/drafts", "a.doc", "x")).code())
        .isEqualTo("TABLE_FORMAT_UNKNOWN");
  }
}
