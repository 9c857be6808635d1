package org.mapsel.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.server.testing.Api;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Sends what no client of ours would send to every operation of the API: whatever it is, the answer
 * says what is wrong with it, and never that the server broke.
 */
class WrongRequestsTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final JsonMapper JSON = new JsonMapper();
  private static final HttpClient HTTP = HttpClient.newHttpClient();
  private static final int FIRST_BROKEN = 500;
  private static final int ROUNDS = 25;
  private static final long SEED = 20310514;

  private static FakeBerthing berthing;
  private static JsonNode document;
  private static final Map<String, String> KNOWN = new HashMap<>();

  private final Random random = new Random(SEED);

  @BeforeAll
  static void furnish() {
    berthing = new FakeBerthing();
    Api api = SERVER.api();
    document = api.get("/api/openapi.json").body();
    String service = api.take(berthing.description());
    String edition = api.get("/api/services/" + service).text("/edition");
    String app = api.post("/api/apps", "{'name':'Desk'}").text("/id");
    api.post(
        "/api/apps/" + app + "/edits",
        "{'version':1,'edit':{'kind':'addPage','service':'"
            + service
            + "','edition':'"
            + edition
            + "','operation':'VesselParticulars','endpoint':'BerthingSoap11','fields':[['entry','key']]}}");
    String page = api.get("/api/apps/" + app).text("/pages/0/id");
    KNOWN.put("service", service);
    KNOWN.put("edition", edition);
    KNOWN.put("app", app);
    KNOWN.put("page", page);
    KNOWN.put("operation", "VesselParticulars");
    KNOWN.put("endpoint", "BerthingSoap11");
    KNOWN.put("number", "1");
    KNOWN.put(
        "run",
        api.post(
                "/api/apps/" + app + "/pages/" + page + "/runs",
                "{'as':'REVIEWER','inputs':{},'arguments':{}}")
            .text("/run"));
    KNOWN.put(
        "call", api.get("/api/apps/" + app + "/pages/" + page + "/bench").text("/calls/0/id"));
  }

  @AfterAll
  static void stop() {
    berthing.close();
  }

  @Test
  void nothingThatIsSentBreaksTheServer() {
    List<String> broken = new ArrayList<>();
    document
        .at("/paths")
        .properties()
        .forEach(
            path ->
                path.getValue()
                    .properties()
                    .forEach(
                        method ->
                            broken.addAll(
                                sent(path.getKey(), method.getKey(), method.getValue()))));

    assertThat(broken).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "multipart/form-data",
        "multipart/form-data; boundary=",
        "multipart/form-data; boundary=cut"
      })
  void aFormThatIsNoneIsRefused(String type) {
    assertThat(api("/api/intakes/files", type, "--cut\r\nno head at all").status()).isEqualTo(400);
  }

  @Test
  void manyFilesAreTakenAndTooManyAreRefusedWithAdvice() {
    String part =
        "--cut\r\nContent-Disposition: form-data; name=\"files\"; filename=\"%d.xsd\"\r\n\r\n<a/>\r\n";
    StringBuilder form = new StringBuilder();
    for (int i = 0; i < 60; i++) {
      form.append(part.formatted(i));
    }
    String type = "multipart/form-data; boundary=cut";

    assertThat(api("/api/intakes/files", type, form + "--cut--\r\n").code())
        .as("they are read, and describe nothing")
        .startsWith("READ_");
    String many = form.toString().repeat(20);
    assertThat(api("/api/intakes/files", type, many + "--cut--\r\n").code())
        .isEqualTo("SERVER_FILES_TOO_MANY");
  }

  private static Api.Answer api(String path, String type, String body) {
    Api api = SERVER.api();
    return api.send(
        HttpRequest.newBuilder(URI.create(api.address() + path))
            .header("Origin", api.address())
            .header("Content-Type", type)
            .POST(BodyPublishers.ofString(body)));
  }

  private List<String> sent(String path, String method, JsonNode operation) {
    List<String> broken = new ArrayList<>();
    JsonNode schema = operation.at("/requestBody/content/application~1json/schema");
    for (int round = 0; round < ROUNDS; round++) {
      String address = address(path, operation, round);
      String body = schema.isMissingNode() ? "" : body(schema, round);
      int status = status(request(address, method, body));
      if (status >= FIRST_BROKEN) {
        broken.add(status + " " + method + " " + address + " " + cut(body));
      }
    }
    return broken;
  }

  private static int status(HttpRequest.Builder request) {
    try {
      return HTTP.send(request.build(), BodyHandlers.discarding()).statusCode();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static String cut(String text) {
    return text.length() > 300 ? text.substring(0, 300) : text;
  }

  private static HttpRequest.Builder request(String address, String method, String body) {
    String base = SERVER.api().address();
    return HttpRequest.newBuilder(URI.create(base + address))
        .header("Origin", base)
        .header("Content-Type", "application/json")
        .method(method.toUpperCase(Locale.ROOT), BodyPublishers.ofString(body));
  }

  private String address(String path, JsonNode operation, int round) {
    String address = path;
    StringBuilder query = new StringBuilder();
    for (JsonNode parameter : operation.path("parameters")) {
      String name = parameter.path("name").asString();
      boolean odd = round % 3 == 2;
      String value = odd ? oddText() : KNOWN.getOrDefault(name, "1");
      String encoded = URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
      if (parameter.path("in").asString().equals("path")) {
        address = address.replace("{" + name + "}", encoded.isEmpty() ? "x" : encoded);
      } else if (round % 4 != 3) {
        query.append(query.isEmpty() ? "?" : "&").append(name).append('=').append(encoded);
      }
    }
    return address + query;
  }

  private String oddText() {
    return switch (random.nextInt(7)) {
      case 0 -> "";
      case 1 -> "no-such-thing";
      case 2 -> "a\u0000b";
      case 3 -> "\uD800";
      case 4 -> "-1";
      case 5 -> "99999999999999999999";
      default -> "ü" + "x".repeat(random.nextInt(3_000));
    };
  }

  private String body(JsonNode schema, int round) {
    return switch (round) {
      case 0 -> "";
      case 1 -> "null";
      case 2 -> "[]";
      case 3 -> "{}";
      case 4 -> "{";
      case 5 -> "[".repeat(5_000);
      default -> value(schema, 0).toString();
    };
  }

  private JsonNode resolved(JsonNode schema) {
    JsonNode here = schema;
    while (here.has("$ref")) {
      here = document.at(here.path("$ref").asString().substring(1));
    }
    return here;
  }

  /** A value of a schema, with something wrong here and there. */
  private JsonNode value(JsonNode wanted, int depth) {
    JsonNode schema = resolved(wanted);
    if (random.nextInt(9) == 0) {
      return odd();
    }
    for (String choice : List.of("oneOf", "anyOf", "allOf")) {
      if (schema.path(choice).size() > 0 && depth < 12) {
        return value(
            schema.path(choice).get(random.nextInt(schema.path(choice).size())), depth + 1);
      }
    }
    if (schema.path("enum").size() > 0) {
      return schema.path("enum").get(random.nextInt(schema.path("enum").size()));
    }
    return switch (schema.path("type").asString("")) {
      case "object" -> object(schema, depth);
      case "array" -> array(schema, depth);
      case "integer" -> JSON.getNodeFactory().numberNode(random.nextInt(5));
      case "number" -> JSON.getNodeFactory().numberNode(random.nextDouble());
      case "boolean" -> JSON.getNodeFactory().booleanNode(random.nextBoolean());
      case "string" -> JSON.getNodeFactory().stringNode(text());
      default -> odd();
    };
  }

  private String text() {
    List<String> known = List.copyOf(KNOWN.values());
    return random.nextInt(3) == 0 ? oddText() : known.get(random.nextInt(known.size()));
  }

  private JsonNode object(JsonNode schema, int depth) {
    ObjectNode object = JSON.createObjectNode();
    schema
        .path("properties")
        .properties()
        .forEach(
            member -> {
              if (random.nextInt(7) > 0 && depth < 8) {
                String known = KNOWN.get(member.getKey());
                object.set(
                    member.getKey(),
                    known != null && random.nextInt(4) > 0
                        ? JSON.getNodeFactory().stringNode(known)
                        : member.getKey().equals("version")
                            ? JSON.getNodeFactory().numberNode(random.nextInt(4))
                            : value(member.getValue(), depth + 1));
              }
            });
    return object;
  }

  private JsonNode array(JsonNode schema, int depth) {
    ArrayNode array = JSON.createArrayNode();
    for (int i = random.nextInt(3); i > 0 && depth < 8; i--) {
      array.add(value(schema.path("items"), depth + 1));
    }
    return array;
  }

  private JsonNode odd() {
    return switch (random.nextInt(6)) {
      case 0 -> JSON.nullNode();
      case 1 -> JSON.getNodeFactory().stringNode(oddText());
      case 2 -> JSON.getNodeFactory().numberNode(Long.MAX_VALUE);
      case 3 -> JSON.createArrayNode().add(1);
      case 4 -> JSON.createObjectNode().put("kind", "nothing");
      default -> JSON.getNodeFactory().booleanNode(true);
    };
  }
}
