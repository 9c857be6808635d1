package org.mapsel.server.services;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mapsel.server.testing.FakeBerthing.bytes;
import static org.mapsel.server.testing.FakeBerthing.write;

import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reading before anything is taken: how far it has come, lists of services, giving up. */
@Timeout(60)
class IntakesApiTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final JsonMapper JSON = new JsonMapper();
  private static final String LAMPS =
      "openapi: 3.1.0\ninfo: {title: Lamps, version: '1'}\n"
          + "paths: {/lamps: {get: {operationId: listLamps, responses: {}}}}\n";
  private static final String BUOYS = LAMPS.replace("Lamps", "Buoys");

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

  private static InputStream read(String source) throws IOException, InterruptedException {
    return HttpClient.newHttpClient()
        .send(
            HttpRequest.newBuilder(URI.create(SERVER.api().address() + "/api/intakes"))
                .header("Content-Type", "application/json")
                .header("Origin", SERVER.api().address())
                .POST(BodyPublishers.ofString("{\"source\":\"" + source + "\"}"))
                .build(),
            BodyHandlers.ofInputStream())
        .body();
  }

  private static byte[] zip() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      zip.putNextEntry(new ZipEntry("lamps.yaml"));
      zip.write(bytes(LAMPS));
      zip.putNextEntry(new ZipEntry("buoys.yaml"));
      zip.write(bytes(BUOYS));
    }
    return bytes.toByteArray();
  }

  @Test
  void aLongWordIsNoAddressAndIsNotRepeated() {
    Api.Answer refused = api.post("/api/intakes", "{'source':'" + "x".repeat(1 << 20) + "'}");
    assertThat(refused.code()).isEqualTo("READ_FORMAT_UNKNOWN");
    assertThat(refused.body().toString()).hasSizeLessThan(2_000);
  }

  @Test
  void progressIsToldWhileADocumentComes() throws Exception {
    CountDownLatch seen = new CountDownLatch(1);
    String start = LAMPS + "# " + "-".repeat(1 << 19);
    berthing.serve(
        "/slow.yaml",
        exchange -> {
          exchange.sendResponseHeaders(200, start.length() + 1);
          exchange.getResponseBody().write(bytes(start));
          exchange.getResponseBody().flush();
          seen.await();
          exchange.getResponseBody().write('\n');
        });

    try (BufferedReader lines =
        new BufferedReader(
            new InputStreamReader(
                read(berthing.address() + "/slow.yaml"), StandardCharsets.UTF_8))) {
      JsonNode progress = JSON.readTree(lines.readLine()).get("progress");
      assertThat(progress.get("address").asString()).endsWith("/slow.yaml");
      assertThat(progress.get("bytes").asLong()).isPositive().isLessThanOrEqualTo(start.length());
      assertThat(progress.get("length").asLong()).isEqualTo(start.length() + 1);

      // Only now does the rest come, so the line above was there before it.
      seen.countDown();
      assertThat(JSON.readTree(lines.lines().toList().getLast()).at("/description/name").asString())
          .isEqualTo("Lamps");
    }
  }

  @Test
  void whoeverGoesAwayEndsTheFetching() throws Exception {
    CountDownLatch gone = new CountDownLatch(1);
    CompletableFuture<Boolean> cut = new CompletableFuture<>();
    byte[] piece = new byte[1 << 19];
    berthing.serve(
        "/endless.yaml",
        exchange -> {
          try {
            exchange.sendResponseHeaders(200, 0);
            exchange.getResponseBody().write(piece);
            gone.await();
            for (int more = 0; more < 100; more++) {
              exchange.getResponseBody().write(piece);
            }
            cut.complete(false);
          } catch (IOException e) {
            cut.complete(true);
          }
        });

    try (InputStream answer = read(berthing.address() + "/endless.yaml")) {
      assertThat(answer.read()).isEqualTo('{');
    }
    gone.countDown();

    assertThat(cut.get()).isTrue();
  }

  @Test
  void aPageOfLinksIsAListToPickFrom() {
    berthing.serve(
        "/services",
        exchange ->
            write(
                exchange,
                200,
                "text/html",
                bytes("<html><a href='berthing/berthing.wsdl'>Berthing</a></html>")));

    Api.Answer list = api.post("/api/intakes", "{'source':'" + berthing.address() + "/services'}");

    assertThat(list.text("/entries/0/name")).isEqualTo("Berthing");
    assertThat(list.text("/entries/0/address")).isEqualTo(berthing.description());
  }

  @Test
  void anArchiveAtAnAddressIsAListWhoseEntriesCanBeTaken() {
    berthing.serve("/all.zip", exchange -> write(exchange, 200, "application/zip", zip()));

    Api.Answer list = api.post("/api/intakes", "{'source':'" + berthing.address() + "/all.zip'}");
    assertThat(list.body().get("entries")).hasSize(2);
    String service = api.take(list.text("/entries/1/address"));

    assertThat(api.get("/api/services/" + service).text("/name")).isEqualTo("Buoys");
  }

  @Test
  void oneOfTheGivenFilesCanBeReadByItsPlaceInTheList() throws Exception {
    String boundary = "lamps-and-buoys";
    ByteArrayOutputStream form = new ByteArrayOutputStream();
    form.write(
        bytes(
            "--"
                + boundary
                + "\r\nContent-Disposition: form-data; name=\"files\"; filename=\"all.zip\"\r\n\r\n"));
    form.write(zip());
    form.write(bytes("\r\n--" + boundary + "--\r\n"));

    assertThat(files("", boundary, form).text("/entries/0/address"))
        .isEqualTo("all.zip!/lamps.yaml");
    assertThat(files("?entry=all.zip!/buoys.yaml", boundary, form).text("/name"))
        .isEqualTo("Buoys");
    assertThat(files("?entry=all.zip!/none.yaml", boundary, form).code())
        .isEqualTo("READ_DOCUMENT_MISSING");
  }

  private Api.Answer files(String query, String boundary, ByteArrayOutputStream form) {
    return api.send(
        HttpRequest.newBuilder(URI.create(api.address() + "/api/intakes/files" + query))
            .header("Origin", api.address())
            .header("Content-Type", "multipart/form-data; boundary=" + boundary)
            .POST(BodyPublishers.ofByteArray(form.toByteArray())));
  }
}
