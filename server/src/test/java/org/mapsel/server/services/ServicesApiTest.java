package org.mapsel.server.services;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mapsel.server.testing.FakeBerthing.bytes;
import static org.mapsel.server.testing.FakeBerthing.write;

import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;

class ServicesApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final String TRY =
      "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'S-20417'}}";

  private FakeBerthing berthing;
  private Api api;

  @BeforeEach
  void start() {
    berthing = new FakeBerthing();
    api = SERVER.api();
  }

  @AfterEach
  void stop() {
    berthing.close();
  }

  private Api.Answer tryParticulars(String service) {
    return api.post("/api/services/" + service + "/operations/VesselParticulars/tries", TRY);
  }

  @Test
  void intakeListsWhatIsInADescriptionAndTakesNothing() {
    int before = api.get("/api/services").body().size();

    Api.Answer read = api.post("/api/intakes", "{'source':'" + berthing.description() + "'}");

    assertThat(read.status()).isEqualTo(200);
    assertThat(read.body().at("/operations")).hasSize(6);
    assertThat(
            read.body().at("/endpoints").valueStream().map(one -> one.at("/protocol").asString()))
        .containsExactly("SOAP 1.1", "SOAP 1.2");
    assertThat(read.body().at("/documents")).hasSize(3);
    assertThat(read.body().at("/findings")).isEmpty();
    assertThat(api.get("/api/services").body()).hasSize(before);
  }

  @Test
  void whatNobodyOffersCanBeTakenAndLookedAt() {
    String description =
        "<definitions xmlns=\\\"http://schemas.xmlsoap.org/wsdl/\\\" name=\\\"Plans\\\""
            + " xmlns:t=\\\"urn:t\\\" targetNamespace=\\\"urn:t\\\">"
            + "<message name=\\\"m\\\"/><portType name=\\\"P\\\"><operation name=\\\"Plan\\\">"
            + "<input message=\\\"t:m\\\"/></operation></portType></definitions>";
    Api.Answer read = api.post("/api/intakes", "{'source':'" + description + "'}");
    assertThat(read.body().at("/endpoints")).isEmpty();
    String id =
        api.post(
                "/api/services",
                "{'edition':'"
                    + read.text("/edition")
                    + "','operations':['Plan'],'endpoint':'none'}")
            .text("/id");

    assertThat(api.get("/api/services/" + id + "/operations/Plan").body().at("/endpoints"))
        .isEmpty();
    Api.Answer tried =
        api.post(
            "/api/services/" + id + "/operations/Plan/tries",
            "{'endpoint':'none','parameters':{}}");
    assertThat(tried.body().at("/findings").findValuesAsString("code"))
        .containsExactly("CALL_ENDPOINT_MISSING");
  }

  @Test
  void whatCannotBeReadSaysWhy() {
    Api.Answer missing =
        api.post("/api/intakes", "{'source':'" + berthing.address() + "/nothing.wsdl'}");
    assertThat(missing.status()).isEqualTo(422);
    assertThat(missing.code()).isEqualTo("EXCHANGE_STATUS_REFUSED");
    assertThat(missing.text("/detail")).contains("404");
    assertThat(api.post("/api/intakes", "{'source':'<html>no</html>'}").code())
        .isEqualTo("READ_CATALOGUE_EMPTY");
    Api.Answer broken =
        api.post(
            "/api/intakes",
            "{'source':'<definitions xmlns=\\\"http://schemas.xmlsoap.org/wsdl/\\\">\\n  <oops'}");
    assertThat(broken.code()).isEqualTo("XML_DOCUMENT_MALFORMED");
    assertThat(broken.body().at("/findings/0/line").asInt()).isEqualTo(2);
    assertThat(api.post("/api/intakes", "{'source':'ftp://x/y.wsdl'}").code())
        .isEqualTo("READ_DOCUMENT_MISSING");
    assertThat(api.post("/api/intakes", "nonsense").code()).isEqualTo("SERVER_REQUEST_MALFORMED");
  }

  @Test
  void halfARequestIsRefusedAndSaysSo() {
    String[][] halves = {
      {"/api/intakes", "{}"},
      {"/api/services", "{'edition':'x','operations':[''],'endpoint':'BerthingSoap11'}"},
      {"/api/services", "{'edition':'x','operations':['GetVessel']}"},
      {"/api/services/none/operations/none/tries", "{'endpoint':'','parameters':{}}"},
      {"/api/services/none/operations/none/answers", "{}"},
      {"/api/apps", "{}"},
      {"/api/apps/none/edits", "{'version':1}"},
      {"/api/apps/none/edits", "{'version':1,'edit':{'kind':'renamePage','page':''}}"},
      {"/api/runs/none/events", "{'inputs':{}}"},
    };
    for (String[] half : halves) {
      Api.Answer answer = api.post(half[0], half[1]);
      assertThat(answer.status()).as(half[0] + " " + half[1]).isEqualTo(400);
      assertThat(answer.code()).isEqualTo("SERVER_REQUEST_MALFORMED");
    }
  }

  @Test
  void aTryIsSentReadAndKept() {
    String service = api.take(berthing.description());
    Api.Answer before = api.get("/api/services/" + service + "/operations/VesselParticulars");
    assertThat(before.text("/sample/origin")).isEqualTo("generated");

    Api.Answer tried = tryParticulars(service);

    assertThat(tried.text("/answer/entry/1/value")).isEqualTo("6 lines");
    assertThat(berthing.received())
        .singleElement()
        .asString()
        .contains("<hullNumber>S-20417</hullNumber>");
    Api.Answer after = api.get("/api/services/" + service + "/operations/VesselParticulars");
    assertThat(after.text("/sample/origin")).isEqualTo("recorded");
    assertThat(after.text("/sample/parameters/hullNumber")).isEqualTo("S-20417");
    Api.Answer exchange = api.get("/api/exchanges/" + tried.text("/sent/exchange"));
    assertThat(exchange.text("/requestBody")).isEqualTo(berthing.received().get(0));
    assertThat(exchange.text("/responseBody")).isEqualTo(FakeBerthing.vessel());
    assertThat(exchange.body().at("/requestHeaders").findValuesAsString("reason"))
        .allSatisfy(reason -> assertThat(reason).isNotBlank());
    assertThat(exchange.text("/curl"))
        .startsWith("curl -X POST")
        .contains("SOAPAction: \"urn:saltmere:berthing/VesselParticulars\"");
    assertThat(
            api.get("/api/exchanges/" + tried.text("/sent/exchange") + "/har")
                .text("/log/entries/0/response/content/text"))
        .isEqualTo(FakeBerthing.vessel());
  }

  @Test
  void aWrongParameterIsRefusedBeforeAnythingIsSent() {
    String service = api.take(berthing.description());

    Api.Answer tried =
        api.post(
            "/api/services/" + service + "/operations/ListArrivals/tries",
            "{'endpoint':'BerthingSoap11','parameters':{'basin':'west'}}");

    assertThat(tried.body().at("/findings").findValuesAsString("code"))
        .containsExactly("MESSAGE_PARAMETER_MISSING", "MESSAGE_VALUE_NOT_ALLOWED");
    assertThat(tried.body().at("/findings/0/field/0").asString()).isEqualTo("day");
    assertThat(berthing.received()).isEmpty();
  }

  @Test
  void everyFailureOfAServiceIsAFindingThatNamesIt() {
    String service = api.take(berthing.description());
    berthing.behave(exchange -> new CountDownLatch(1).await());
    assertThat(tryParticulars(service).text("/findings/0/code")).isEqualTo("EXCHANGE_ANSWER_LATE");
    berthing.behave(
        exchange -> {
          exchange.sendResponseHeaders(200, 1_000);
          exchange.getResponseBody().write(bytes("<s:Envel"));
        });
    assertThat(tryParticulars(service).text("/findings/0/code"))
        .isEqualTo("EXCHANGE_ANSWER_DROPPED");
    berthing.behave(
        exchange -> write(exchange, 502, "text/html", bytes("<html>Bad gateway</html>")));
    assertThat(tryParticulars(service).text("/findings/0/code"))
        .isEqualTo("MESSAGE_ANSWER_NOT_XML");
    berthing.behave(exchange -> write(exchange, 200, "text/xml", new byte[3 << 20]));
    assertThat(tryParticulars(service).text("/findings/0/code"))
        .isEqualTo("EXCHANGE_ANSWER_TOO_LARGE");
    berthing.behave(
        exchange -> {
          exchange.getResponseHeaders().set("Content-Encoding", "gzip");
          write(exchange, 200, "text/xml", FakeBerthing.zipped(" ".repeat(3 << 20)));
        });
    assertThat(tryParticulars(service).text("/findings/0/code"))
        .isEqualTo("EXCHANGE_ANSWER_TOO_LARGE");
    berthing.behave(
        exchange -> {
          exchange.getResponseHeaders().set("Location", berthing.address() + "/elsewhere");
          write(exchange, 302, "text/html", bytes("<html>over there</html>"));
        });
    assertThat(tryParticulars(service).text("/findings/0/code"))
        .isEqualTo("MESSAGE_ANSWER_NOT_XML");
    assertThat(berthing.received()).hasSize(6);
    berthing.close();
    assertThat(tryParticulars(service).text("/findings/0/code"))
        .isEqualTo("EXCHANGE_CONNECTION_REFUSED");
  }

  @Test
  void aCompressedAnswerIsRead() {
    String service = api.take(berthing.description());
    berthing.behave(
        exchange -> {
          exchange.getResponseHeaders().set("Content-Encoding", "gzip");
          write(exchange, 200, "text/xml", FakeBerthing.zipped(FakeBerthing.vessel()));
        });

    assertThat(tryParticulars(service).text("/answer/hullNumber")).isEqualTo("S-20417");
  }

  @Test
  void aSlowServiceBlocksNobodyElse() throws Exception {
    String service = api.take(berthing.description());
    int many = 80;
    CountDownLatch waiting = new CountDownLatch(many);
    CountDownLatch release = new CountDownLatch(1);
    berthing.behave(
        exchange -> {
          waiting.countDown();
          release.await();
          write(exchange, 200, "text/xml", bytes(FakeBerthing.vessel()));
        });
    try (ExecutorService users = Executors.newVirtualThreadPerTaskExecutor()) {
      List<Future<Api.Answer>> tries =
          IntStream.range(0, many)
              .mapToObj(i -> users.submit(() -> tryParticulars(service)))
              .toList();
      waiting.await();

      // While all of them wait for the service, somebody else looks at the list.
      assertThat(api.get("/api/services").status()).isEqualTo(200);

      release.countDown();
      for (Future<Api.Answer> one : tries) {
        assertThat(one.get().text("/answer/hullNumber")).isEqualTo("S-20417");
      }
    }
  }

  @Test
  void patternsAreTriedOnATextAndRefusedWithAReason() {
    String text = "'text':'lock 3 shut, lock 11 open','path':['value'],'every':true";

    Api.Answer cut =
        api.post("/api/cuts", "{" + text + ",'pattern':'lock (?P<lock>[0-9]+) (?P<state>[a-z]+)'}");
    assertThat(cut.body().at("/matches").asInt()).isEqualTo(2);
    assertThat(cut.body().at("/fields/1/values").toString()).isEqualTo("[\"shut\",\"open\"]");
    assertThat(cut.body().at("/fields/0/path").toString())
        .isEqualTo(
            "[\"value\",{\"cut\":\"lock (?P<lock>[0-9]+) (?P<state>[a-z]+)\",\"every\":true},\"lock\"]");
    assertThat(api.post("/api/cuts", "{" + text + ",'pattern':'lock ('}").code())
        .isEqualTo("DATA_PATTERN_INVALID");
  }

  @Test
  void aServiceInUseIsNotRemoved() {
    String service = api.take(berthing.description());
    Api.Answer app = api.post("/api/apps", "{'name':'Watch'}");
    String edition = api.get("/api/services/" + service).text("/edition");
    api.post(
        "/api/apps/" + app.text("/id") + "/edits",
        "{'version':1,'edit':{'kind':'addPage','service':'"
            + service
            + "','edition':'"
            + edition
            + "','operation':'GetVessel','endpoint':'BerthingSoap11','fields':[]}}");

    Api.Answer refused = api.delete("/api/services/" + service);

    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/title")).contains("Watch");
    api.delete("/api/apps/" + app.text("/id"));
    assertThat(api.delete("/api/services/" + service).status()).isEqualTo(204);
    assertThat(api.get("/api/services/" + service).code()).isEqualTo("SERVER_SERVICE_MISSING");
  }
}
