package org.mapsel.core.serve;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Found;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Response;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.testing.BerthBook;
import org.mapsel.core.testing.MemoryRows;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Offered tables, asked over each of their protocols. */
class OfferedServiceTest {

  private static final String BASE = "http://localhost:1/offered/berth-book";
  private static final String PATH = "/offered/berth-book";

  private static final JsonMapper JSON = new JsonMapper();

  private OfferedService service;

  @BeforeEach
  void offer() {
    TableOffer offer = BerthBook.offer();
    service = new OfferedService(offer, BASE, false, MemoryRows.of(BerthBook.open("xlsx"), offer));
  }

  private Response ask(String method, String path, String body, Map<String, String> headers) {
    String[] parts = (PATH + path).split("\\?", 2);
    Map<String, List<String>> all = new HashMap<>();
    headers.forEach((name, value) -> all.put(name, List.of(value)));
    return service
        .answer(
            new IncomingRequest(
                method,
                parts[0],
                parts.length > 1 ? parts[1] : "",
                all,
                body.getBytes(StandardCharsets.UTF_8)))
        .response();
  }

  private static String text(Response response) {
    return new String(response.body(), StandardCharsets.UTF_8);
  }

  private static JsonNode json(Response response) {
    return JSON.readTree(response.body());
  }

  private static List<String> codes(JsonNode rows) {
    return rows.valueStream().map(row -> row.at("/code").asString()).toList();
  }

  @Test
  void entitiesAreFilteredOrderedPagedAndCounted() {
    String wanted = "$filter=basin%20eq%20'North'%20and%20crane%20eq%20true&$orderby=code%20desc";
    JsonNode all = json(ask("GET", "/odata/Berths?$count=true&" + wanted, "", Map.of()));
    assertThat(codes(all.at("/value"))).containsExactly("N05", "N04", "N02", "N01");
    assertThat(all.at("/@odata.count").asInt()).isEqualTo(4);

    JsonNode page = json(ask("GET", "/odata/Berths?$skip=1&$top=2&" + wanted, "", Map.of()));
    assertThat(codes(page.at("/value"))).containsExactly("N04", "N02");
    assertThat(page.has("@odata.count")).isFalse();

    JsonNode one = json(ask("GET", "/odata/Berths('N02')", "", Map.of()));
    assertThat(one.at("/depth").decimalValue()).isEqualTo("10.54");
    assertThat(one.at("/@odata.etag").asString()).isEqualTo("W/\"1\"");
  }

  @Test
  void onlyTheSelectedMembersOfEntitiesAreGiven() {
    JsonNode rows = json(ask("GET", "/odata/Berths?$select=code,depth&$top=2", "", Map.of()));
    assertThat(rows.at("/value").valueStream())
        .hasSize(2)
        .allSatisfy(
            row ->
                assertThat(row.propertyNames())
                    .containsExactlyInAnyOrder("@odata.etag", "code", "depth"));
    JsonNode one = json(ask("GET", "/odata/Berths('N02')?$select=depth", "", Map.of()));
    assertThat(one.propertyNames())
        .containsExactlyInAnyOrder("@odata.context", "@odata.etag", "depth");
    Response wrong = ask("GET", "/odata/Berths?$select=nothing", "", Map.of());
    assertThat(wrong.status()).isEqualTo(400);
    assertThat(text(wrong)).contains("nothing, which is no property");
  }

  @Test
  void answersAreAsTheOpenDescriptionSays() {
    ObjectNode description =
        (ObjectNode)
            JSON.readTree(
                service
                    .description(
                        new IncomingRequest(
                            "GET", PATH + "/openapi.json", "", Map.of(), new byte[0]))
                    .orElseThrow()
                    .bytes());
    assertThat(wrong(description, "/http/berths/N02", "/paths/~1berths~1{code}/get")).isEmpty();
    assertThat(wrong(description, "/http/berths?top=3", "/paths/~1berths/get")).isEmpty();
    assertThat(wrong(description, "/http/berths/N02", "/paths/~1berths/get"))
        .as("the schemas tell one from many")
        .isNotEmpty();
  }

  /** What a validator of JSON Schema has against the answer to a question. */
  private List<Error> wrong(ObjectNode description, String question, String operation) {
    ObjectNode schema =
        (ObjectNode)
            description
                .at(operation + "/responses/200/content/application~1json/schema")
                .deepCopy();
    assertThat(schema.isMissingNode()).isFalse();
    schema.set("components", description.path("components"));
    return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
        .getSchema(schema.toString(), InputFormat.JSON)
        .validate(text(ask("GET", question, "", Map.of())), InputFormat.JSON);
  }

  @Test
  void oneRowIsTheSameOverEveryProtocol() {
    String envelope =
        "<s:Envelope xmlns:s='http://schemas.xmlsoap.org/soap/envelope/'><s:Body>"
            + "<ReadBerth xmlns='urn:offered:berthBook'><code>N02</code></ReadBerth>"
            + "</s:Body></s:Envelope>";
    String soap = text(ask("POST", "/soap", envelope, Map.of("Content-Type", "text/xml")));

    assertThat(json(ask("GET", "/http/berths/N02", "", Map.of())).at("/length").decimalValue())
        .isEqualTo("140.5");
    assertThat(json(ask("GET", "/odata/Berths('N02')", "", Map.of())).at("/length").decimalValue())
        .isEqualTo("140.5");
    assertThat(soap).contains("<length>140.5<", "<version>1<", "<surveyed>2031-03-12<");
  }

  @Test
  void changesHoldOnlyForTheVersionThatWasRead() {
    Map<String, String> first = Map.of("If-Match", "W/\"1\"", "Content-Type", "application/json");
    Response changed = ask("PATCH", "/odata/Berths('N02')", "{\"depth\":9.5}", first);
    assertThat(changed.status()).isEqualTo(200);
    assertThat(json(changed).at("/@odata.etag").asString()).isEqualTo("W/\"2\"");
    assertThat(ask("PATCH", "/odata/Berths('N02')", "{\"depth\":9}", first).status())
        .isEqualTo(412);

    Map<String, String> plain = Map.of("Content-Type", "application/json");
    String stale = "{\"remarks\":\"old\",\"version\":1}";
    assertThat(ask("PATCH", "/http/berths/N02", stale, plain).status()).isEqualTo(412);
    assertThat(ask("DELETE", "/http/berths/N02?version=2", "", Map.of()).status()).isEqualTo(204);
    assertThat(ask("GET", "/http/berths/N02", "", Map.of()).status()).isEqualTo(404);
  }

  @Test
  void newRowsNeedAKeyOfTheirOwn() {
    Map<String, String> plain = Map.of("Content-Type", "application/json");
    String berth =
        "{\"code\":\"Z1\",\"basin\":\"Old\",\"length\":40,\"depth\":3,\"crane\":false,"
            + "\"surveyed\":\"2031-01-01\",\"dues\":12.5}";
    assertThat(ask("POST", "/http/berths", berth, plain).status()).isEqualTo(201);
    Response again = ask("POST", "/http/berths", berth, plain);
    assertThat(again.status()).isEqualTo(409);
    assertThat(text(again)).contains("with this key already");
    assertThat(
            json(ask("GET", "/http/berths?basin=Old&orderBy=length", "", Map.of()))
                .at("/total")
                .asInt())
        .isEqualTo(6);
  }

  @Test
  void wrongQuestionsAreRefusedInTheWordsOfTheProtocol() {
    assertThat(
            json(ask("GET", "/odata/Berths?$filter=length%20like%203", "", Map.of())).has("error"))
        .isTrue();
    assertThat(json(ask("GET", "/http/berths?top=-1", "", Map.of())).at("/status").asInt())
        .isEqualTo(400);
    assertThat(text(ask("POST", "/soap", "<nothing/>", Map.of("Content-Type", "text/xml"))))
        .contains("Fault");
  }

  @Test
  void descriptionsAreHandedOutAndSayTheSame() {
    List<String> formats =
        Stream.of(
                "/soap?wsdl", "/odata/$metadata", "/odata/$metadata?$format=json", "/openapi.json")
            .map(this::described)
            .map(description -> description.format().label())
            .toList();
    assertThat(formats).containsExactly("WSDL 1.1", "OData 4.01", "OData 4.01", "OpenAPI 3.1.0");
  }

  private Description described(String path) {
    String[] parts = (PATH + path).split("\\?", 2);
    SourceText text =
        service
            .description(
                new IncomingRequest(
                    "GET", parts[0], parts.length > 1 ? parts[1] : "", Map.of(), new byte[0]))
            .orElseThrow();
    Outcome<Found> found =
        Intake.look(text, address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING")));
    assertThat(found.findings()).isEmpty();
    return (Description) found.get();
  }
}
