package org.mapsel.cli;

import java.io.IOException;
import java.net.ConnectException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;

/** A running server of this machine. */
final class ServerAccess {

  private static final int REFUSED = 400;
  private static final Duration PATIENCE = Duration.ofMinutes(2);

  private final String base;
  private final HttpClient http =
      HttpClient.newBuilder().cookieHandler(new CookieManager()).build();

  /**
   * @param password of the workspace, empty if it has none
   */
  ServerAccess(int port, String password) {
    this.base = "http://localhost:" + port;
    if (!password.isEmpty()) {
      post(
          "/api/session",
          JsonNodeFactory.instance.objectNode().put("password", password).toString());
    }
  }

  String get(String path) {
    return send(request(path).GET());
  }

  String post(String path, String json) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json)));
  }

  private HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create(base + path)).timeout(PATIENCE).header("Origin", base);
  }

  private String send(HttpRequest.Builder request) {
    try {
      HttpResponse<String> response =
          http.send(request.build(), HttpResponse.BodyHandlers.ofString());
      if (response.statusCode() >= REFUSED) {
        throw new CommandFailure(words(response.body()));
      }
      return response.body();
    } catch (ConnectException e) {
      throw new CommandFailure(
          "There is no Mapsel at " + base + "; start it, or name its port with --port.");
    } catch (IOException e) {
      throw new CommandFailure(base + " does not answer: " + e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new CommandFailure("Interrupted while waiting for " + base + ".");
    }
  }

  /** What problem details (RFC 9457) say. */
  private static String words(String body) {
    try {
      JsonNode problem = new JsonMapper().readTree(body);
      return problem.path("title").asString("") + " " + problem.path("detail").asString("");
    } catch (JacksonException e) {
      return body;
    }
  }
}
