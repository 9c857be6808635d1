package org.mapsel.server.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Speaks to a server as its own pages do. */
public final class Api {

  private static final JsonMapper JSON = new JsonMapper();

  private final String address;
  private final HttpClient http =
      HttpClient.newBuilder().cookieHandler(new CookieManager()).build();

  public Api(String address) {
    this.address = address;
  }

  /** A status and a JSON body. */
  public record Answer(int status, JsonNode body) {

    /** A text deep inside the body, for instance {@code /findings/0/code}. */
    public String text(String pointer) {
      return body.at(pointer).asString("");
    }

    public String code() {
      return text("/code");
    }
  }

  public String address() {
    return address;
  }

  public Answer get(String path) {
    return send(request(path).GET());
  }

  /** The body may use single quotes for double ones. */
  public Answer post(String path, String json) {
    return postAsIs(path, json.replace('\'', '"'));
  }

  /** Like {@link #post}, with each line of the answer as it comes. */
  public void lines(String path, String json, Consumer<JsonNode> line) {
    try {
      http.send(
              request(path)
                  .header("Content-Type", "application/json")
                  .POST(BodyPublishers.ofString(json.replace('\'', '"')))
                  .build(),
              BodyHandlers.ofLines())
          .body()
          .map(JSON::readTree)
          .forEach(line);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** With a body that holds single quotes of its own. */
  public Answer postAsIs(String path, String json) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(json)));
  }

  /** A file, to the character. */
  public String file(String path) {
    return text(request(path).GET()).body();
  }

  /** Like {@link #post}. */
  public Answer put(String path, String json) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString(json.replace('\'', '"'))));
  }

  public Answer delete(String path) {
    return send(request(path).DELETE());
  }

  private HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create(address + path)).header("Origin", address);
  }

  public Answer send(HttpRequest.Builder request) {
    HttpResponse<String> response = text(request);
    String body = response.body();
    return response.headers().firstValue("Content-Type").orElse("").contains("ndjson")
        ? last(response.statusCode(), body)
        : new Answer(response.statusCode(), JSON.readTree(body.isEmpty() ? "null" : body));
  }

  private HttpResponse<String> text(HttpRequest.Builder request) {
    try {
      return http.send(request.build(), BodyHandlers.ofString());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** What a stream of events ends with: the only member of its last line. */
  private static Answer last(int status, String lines) {
    JsonNode event = JSON.readTree(lines.lines().toList().getLast());
    return event.has("problem")
        ? new Answer(event.at("/problem/status").asInt(), event.get("problem"))
        : new Answer(status, event.iterator().next());
  }

  /** Reads and takes everything at an address; gives the service's id. */
  public String take(String description) {
    return take(description, "null");
  }

  /** Likewise, with what it takes to reach the description. */
  public String take(String description, String access) {
    Answer read = post("/api/intakes", "{'source':'" + description + "','access':" + access + "}");
    StringBuilder operations = new StringBuilder();
    read.body()
        .at("/operations")
        .forEach(
            one ->
                operations
                    .append(operations.isEmpty() ? "" : ",")
                    .append("'" + one.at("/id").asString() + "'"));
    return post(
            "/api/services",
            "{'edition':'"
                + read.text("/edition")
                + "','operations':["
                + operations
                + "],'endpoint':'"
                + read.text("/endpoints/0/id")
                + "'}")
        .text("/id");
  }
}
