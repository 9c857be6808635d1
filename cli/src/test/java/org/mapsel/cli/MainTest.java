package org.mapsel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The command line as somebody at a terminal sees it: what it prints where, and how it ends. */
class MainTest {

  private static final JsonMapper JSON = new JsonMapper();
  private static final Path DESCRIPTIONS = Path.of("../core/src/test/resources/descriptions");

  @TempDir private Path folder;

  /** What one run printed, and its exit status. */
  private record Run(int status, String out, String err) {

    List<JsonNode> lines() {
      return out.lines().map(JSON::readTree).toList();
    }
  }

  private static Run run(String... args) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    int status =
        Main.run(
            new PrintStream(out, true, StandardCharsets.UTF_8),
            new PrintStream(err, true, StandardCharsets.UTF_8),
            args);
    return new Run(
        status, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
  }

  private static String description(String name) {
    return DESCRIPTIONS.resolve(name + ".wsdl").toString();
  }

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "describe",
        "request",
        "answer",
        "check",
        "pair",
        "diff",
        "export",
        "import",
        "stand-in",
        "verify"
      })
  void everyCommandTellsWhatItTakes(String command) {
    Run run = run(command, "--help");

    assertThat(run.status()).isZero();
    assertThat(run.out()).startsWith("Usage: mapsel " + command).contains("--help");
    assertThat(run.err()).isEmpty();
  }

  private static void assertFollows(String schema, String json) throws IOException {
    var errors =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(Files.readString(Path.of("../docs/formats", schema)))
            .validate(json, InputFormat.JSON);
    assertThat(errors).isEmpty();
  }

  @Test
  void everyDescriptionIsPrintedByTheDocumentedSchema() throws IOException {
    try (var files = Files.list(DESCRIPTIONS)) {
      List<String> sources =
          files
              .map(Path::toString)
              .filter(path -> path.matches(".*\\.(wsdl|yaml|json|xml|har)"))
              .toList();
      Path list = file("list.txt", String.join("\n", sources));

      Run run = run("describe", "--format", "json", "@" + list);

      assertThat(run.lines()).extracting(line -> line.get("source").asString()).isEqualTo(sources);
      for (String line : run.out().lines().toList()) {
        assertFollows("description.schema.json", line);
      }
      assertThat(run.status()).as("one of them cannot be read").isEqualTo(2);
    }
  }

  @Test
  void fieldsHaveTheirNamesInTheModelAndInTheMessage() {
    JsonNode input =
        JSON.readTree(run("describe", "--format", "json", description("cargo")).out())
            .at("/operations/0/input");

    assertThat(input)
        .extracting(row -> row.get("path") + " " + row.get("wire") + " " + row.get("repeats"))
        .startsWith(
            "[] [\"load\"] false",
            "[\"unit\"] [\"load\",\"unit\"] true",
            "[\"unit\",\"id\"] [\"load\",\"unit\",\"@id\"] false")
        .contains("[\"mark\"] [] false", "[\"any\"] [\"load\",\"*\"] false")
        .contains("[\"notice\",\"notice\"] [\"load\",\"notice\"] false")
        .noneMatch(row -> row.contains("kind") || row.contains("ban"));
    assertThat(run("describe", "--format", "json", "--variants", description("cargo")).out())
        .contains("\"kind\"", "\"ban\"")
        .doesNotContain("\"notice\", \"notice\"");
  }

  @Test
  void aFolderIsListedAndItsEntriesCanBeDescribed() throws IOException {
    Files.copy(DESCRIPTIONS.resolve("dredging.wsdl"), folder.resolve("dredging.wsdl"));
    Files.copy(DESCRIPTIONS.resolve("cargo.wsdl"), folder.resolve("cargo.wsdl"));

    Run list = run("describe", "--format", "json", folder.toString());

    assertFollows("description.schema.json", list.out());
    JsonNode entries = JSON.readTree(list.out()).get("entries");
    assertThat(entries)
        .extracting(entry -> entry.get("name").asString())
        .containsExactly("cargo.wsdl", "dredging.wsdl");
    assertThat(run("describe", folder.toString()).out()).contains("cargo.wsdl  file:///");
    assertThat(run("request", folder.toString(), "FindJobs").err())
        .contains("READ_CATALOGUE_GIVEN");
    assertThat(run("describe", entries.get(1).get("address").asString()).out())
        .contains("FindJobs");
  }

  @Test
  void depthAndOperationAndFieldsCanBeLimited() {
    String source = description("dredging");
    JsonNode shallow =
        JSON.readTree(
            run("describe", "--format", "json", "--depth", "2", "--operation", "FindJobs", source)
                .out());

    assertThat(shallow.get("operations")).hasSize(1);
    assertThat(shallow.at("/operations/0/output"))
        .anyMatch(row -> row.get("more").booleanValue())
        .allMatch(row -> row.get("wire").size() <= 2);
    assertThat(run("describe", "--no-fields", "--format", "json", source).out())
        .doesNotContain("\"input\"");
  }

  @Test
  void theExitStatusTellsHowWellItWasRead() throws IOException {
    assertThat(run("describe", description("lights")).status()).isZero();
    assertThat(run("describe", description("dredging")).status()).isEqualTo(1);
    Run unreadable = run("describe", file("note.txt", "Dear harbour master").toString());
    assertThat(unreadable.status()).isEqualTo(2);
    assertThat(unreadable.out()).isEmpty();
    assertThat(unreadable.err()).contains("not a description in a format known here");
    assertThat(run("describe").status()).isEqualTo(2);
  }

  @Test
  void whatCannotBeHadIsSaidInWords() {
    assertThat(run("describe", folder.resolve("nowhere.wsdl").toString()).err())
        .contains("There is no file " + folder.resolve("nowhere.wsdl"), "Check the path.");
    assertThat(run("describe", "http://localhost:1/nowhere.wsdl").err())
        .contains("http://localhost:1/nowhere.wsdl could not be read: nothing answers there.");
  }

  @Test
  void whereAnAnswerLeadsIsTold() {
    String tides = DESCRIPTIONS.resolve("tides.yaml").toString();
    JsonNode links =
        JSON.readTree(run("describe", "--format", "json", "--operation", "getStation", tides).out())
            .at("/operations/0/links");
    assertThat(links.toString())
        .isEqualTo(
            "[{\"name\":\"change\",\"operation\":\"putStation\",\"parameters\":"
                + "{\"station\":\"$request.path.station\"},\"body\":\"$response.body\"}]");
    assertThat(run("describe", tides).out()).contains("leads to putStation");
  }

  @Test
  void requestsAreMadeFromSamplesOrFromValues() throws IOException {
    Run sample = run("request", description("lights"), "CheckLight");
    assertThat(sample.status()).isZero();
    assertThat(sample.out())
        .startsWith("POST http://localhost:1/lights\n")
        .contains("Content-Type: application/soap+xml", "<light>token1</light>");

    Path values = file("values.json", "{\"light\": \"east\"}");
    assertThat(
            run("request", description("lights"), "CheckLight", "--values", values.toString())
                .out())
        .contains("<light>east</light>");
    Path wrong = file("wrong.json", "{\"lamp\": \"east\"}");
    Run refused = run("request", description("lights"), "CheckLight", "--values", wrong.toString());
    assertThat(refused.status()).isEqualTo(1);
    assertThat(refused.out()).isEmpty();
    assertThat(refused.err()).contains("has no parameter lamp", "light is required");
    assertThat(run("request", description("lights"), "CheckLite").err())
        .contains("There is no operation CheckLite", "CheckLight, SwitchAll");
  }

  @Test
  void fieldsOfTwoOperationsArePairedAloneOrManyJobsAtOnce() throws IOException {
    String dredging = description("dredging");
    Run one =
        run("pair", "--format", "json", dredging, "FindJobs", "out", dredging, "PlanJob", "in");
    assertThat(one.status()).isZero();
    assertFollows("pairing.schema.json", one.out());
    assertThat(one.lines().getFirst().at("/pairs")).isNotEmpty();
    assertThat(run("pair", dredging, "FindJobs", "out", dredging, "FindJobs", "out").out())
        .contains("sure", "job/number = job/number", "same name");

    Path jobs =
        file(
            "jobs.txt",
            """
            ["%1$s","FindJobs","out","%1$s","FindJobs","out","--left-path","job"]

            {"left":["%1$s","FindJobs","out"],"right":["%1$s","Nothing","out"]}
            {"left":["%1$s","FindJobs","out"],"right":["%1$s","PlanJob","in"]}
            """
                .formatted(dredging));
    Run many = run("pair", "@" + jobs);
    assertThat(many.status()).isEqualTo(1);
    assertThat(many.lines()).hasSize(3);
    assertThat(many.lines().get(1).get("error").asString()).contains("no operation Nothing");
    assertThat(many.err()).contains("line 3");
    assertThat(run("pair", dredging, "FindJobs").status()).isEqualTo(2);
  }

  @Test
  void editionsAreComparedWorstFirst() throws IOException {
    String before = description("dredging");
    Path after =
        file(
            "dredging.wsdl",
            Files.readString(Path.of(before)).replace("name=\"FindJobs\"", "name=\"FindWork\""));
    assertThat(run("diff", before, before).out()).contains("Nothing differs.");
    assertThat(run("diff", before, before).status()).isZero();

    Run changed = run("diff", "--format", "json", before, after.toString());
    assertThat(changed.status()).isEqualTo(1);
    assertFollows("diff.schema.json", changed.out());
    assertThat(changed.lines().getFirst().at("/differences/0/harm").asString()).isEqualTo("breaks");
  }

  @Test
  void everyOperationGivesALine() throws IOException {
    Run run = run("request", description("moorings"), "--every-operation", "--all-optional");

    assertThat(run.lines())
        .extracting(line -> line.get("operation").asString())
        .containsExactly("free", "tie", "Moorings.tie");
    for (String line : run.out().lines().toList()) {
      assertFollows("request.schema.json", line);
    }
  }

  @Test
  void recordedAnswersAreReadAsBodiesAndAsWholeMessages() throws IOException {
    String body =
        "<e:Envelope xmlns:e='http://www.w3.org/2003/05/soap-envelope'><e:Body>"
            + "<told xmlns='urn:saltmere:lights:types'><colour>white</colour></told>"
            + "</e:Body></e:Envelope>";
    Path bare = file("answer.xml", body);
    Path whole =
        file("answer.http", "HTTP/1.1 200 OK\r\nContent-Type: application/soap+xml\r\n\r\n" + body);

    for (Path recorded : List.of(bare, whole)) {
      Run run = run("answer", description("lights"), "CheckLight", recorded.toString());
      assertThat(run.status()).isZero();
      assertThat(JSON.readTree(run.out())).isEqualTo(JSON.readTree("{\"colour\":\"white\"}"));
    }
    Run page =
        run(
            "answer",
            description("lights"),
            "CheckLight",
            file("page.html", "<html>Bad gateway</html>").toString());
    assertThat(page.status()).isEqualTo(2);
    assertThat(page.err()).contains("something that is not XML", "Bad gateway");
  }

  @Test
  void whatDoesNotFitInAnAppIsToldWithAnExitStatusForBuilds() throws IOException {
    Path sound = app("{\"kind\": \"fixed\", \"text\": \"north\"}", "number");
    Path broken = app("{\"kind\": \"fixed\", \"text\": \"west\"}", "nummer");
    String service = "dredging=" + description("dredging");

    Run good = run("check", sound.toString(), "--service", service);
    assertThat(good.status()).as(good.out() + good.err()).isZero();

    Run bad = run("check", broken.toString(), "--service", service, "--format", "json");
    assertThat(bad.status()).as(bad.out()).isEqualTo(1);
    assertFollows("findings.schema.json", bad.out());
    assertThat(JSON.readTree(bad.out()).get("findings"))
        .anySatisfy(
            found -> {
              assertThat(found.get("severity").asString()).isEqualTo("error");
              assertThat(found.get("message").asString()).contains("nummer");
              assertThat(found.at("/about/part").asString()).isEqualTo("number_6");
              assertThat(found.get("pageName").asString()).isEqualTo("Jobs");
            });

    assertThat(run("check", sound.toString()).err()).contains("--service dredging=SOURCE");
    Run newer = run("check", file("newer.json", "{\"format\": 99}").toString());
    assertThat(newer.status()).isEqualTo(2);
    assertThat(newer.err()).contains("99");
  }

  /** A page that lists jobs of a basin by one field. */
  private Path app(String basin, String column) throws IOException {
    return file(
        column + ".json",
        """
        {"format": 2, "name": "Dredging", "issued": 6,
         "services": [{"service": "dredging", "edition": "e1"}],
         "pages": [{"id": "page_1", "name": "Jobs",
           "parts": [
             {"kind": "table", "id": "table_2",
              "rows": {"kind": "returned", "call": "call_3", "path": ["job"]},
              "items": [{"id": "number_6", "value": {"kind": "row", "path": ["%s"]}}]}],
           "calls": [{"id": "call_3", "service": "dredging", "operation": "FindJobs",
             "endpoint": "Soap11",
             "parameters": [
               {"path": ["basin"], "from": %s},
               {"path": ["choice", "day"], "from": {"kind": "fixed", "text": "2031-05-14"}}]}],
           "reactions": [{"id": "opened_5", "when": {"kind": "opened"},
             "steps": [{"kind": "call", "call": "call_3"}]}]}]}
        """
            .formatted(column, basin));
  }

  /** A sample of the stations of a stand-in, as a file. */
  private Path sample(StandInServer server, String change, String check) throws Exception {
    String stations =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create(server.address() + "/v1/stations")).build(),
                HttpResponse.BodyHandlers.ofString())
            .body();
    Path body = file("body.txt", stations);
    String values =
        run("answer", TIDES, "listStations", body.toString()).out().replace("name 2", change);
    Files.createDirectories(folder.resolve("checks"));
    return Files.writeString(
        folder.resolve("checks/stations.json"),
        "{\"format\":1,\"service\":\"tides\",\"operation\":\"listStations\",\"name\":\"All\","
            + "\"parameters\":{},\"answer\":"
            + values
            + (check.isEmpty() ? "" : ",\"check\":" + check)
            + "}");
  }

  private static final String TIDES = DESCRIPTIONS.resolve("tides.yaml").toString();

  private Run verify(StandInServer server, String... more) {
    List<String> arguments =
        new ArrayList<>(
            List.of(
                "verify",
                folder.resolve("checks").toString(),
                "--service",
                "tides=" + TIDES,
                "--endpoint",
                server.address() + "/v1"));
    arguments.addAll(List.of(more));
    return run(arguments.toArray(String[]::new));
  }

  private static StandInServer tides() throws IOException {
    return StandInServer.of(Choice.whole(new Console(System.out, System.err), TIDES));
  }

  @Test
  void checksHoldOrTellWhatDiffers() throws Exception {
    try (StandInServer server = tides()) {
      Path file = sample(server, "name 2", "{\"holds\":\"values\"}");
      assertFollows("sample.schema.json", Files.readString(file));
      assertThat(verify(server).status()).isZero();

      sample(server, "another", "{\"holds\":\"values\"}");
      Path junit = folder.resolve("junit.xml");
      Run run = verify(server, "--junit", junit.toString());
      assertThat(run.status()).isEqualTo(1);
      assertThat(run.out()).contains("expected another, was name 2", "1 do not hold");
      assertThat(Files.readString(junit)).contains("failures=\"1\"", "<failure message=");

      sample(server, "another", "{\"holds\":\"shape\"}");
      assertThat(verify(server).status()).isZero();

      sample(server, "name 2", "");
      assertThat(verify(server).status()).isEqualTo(2);
    }
  }

  @Test
  void aCheckOfAServiceThatIsNotThereDoesNotHold() throws Exception {
    StandInServer server = tides();
    sample(server, "name 2", "{\"holds\":\"shape\"}");
    server.close();

    Run run = verify(server);

    assertThat(run.status()).isEqualTo(1);
    assertThat(run.out()).contains("expected an answer, was No connection");
  }

  @Test
  void theSwitchesOfAStandInDoWhatTheySay() throws Exception {
    try (StandInServer server = tides()) {
      sample(server, "name 2", "{\"holds\":\"shape\",\"within\":100000}");
      turn(server, "ERROR");
      assertThat(verify(server).status()).isEqualTo(1);
      turn(server, "DROP");
      assertThat(verify(server).status()).isEqualTo(1);
      turn(server, "NORMAL");
      assertThat(verify(server).status()).isZero();
    }
  }

  private static void turn(StandInServer server, String mode) throws Exception {
    HttpClient.newHttpClient()
        .send(
            HttpRequest.newBuilder(URI.create(server.address() + "/switches/" + mode))
                .PUT(HttpRequest.BodyPublishers.noBody())
                .build(),
            HttpResponse.BodyHandlers.discarding());
  }
}
