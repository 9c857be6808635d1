package org.mapsel.bench.soak;

import java.io.IOException;
import java.net.Socket;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;

/** What nobody means well with, one after the other. */
final class Hostile {

  private static final String JSON = "application/json";
  private static final int HALF_OPEN = 500;

  private static final String OPEN_API =
      "{\"openapi\":\"3.1.0\",\"info\":{\"title\":\"x\",\"version\":\"1\"},\"paths\":{\"/x\":{\"get\":{"
          + "\"responses\":{\"200\":{\"description\":\"\",\"content\":{\"application/json\":{\"schema\":%s}}}}}}}}";

  /** Descriptions that cost whoever reads them without a limit. */
  private static final List<String> DESCRIPTIONS =
      List.of(
          OPEN_API.formatted("{\"type\":\"string\",\"pattern\":\"(?P<a>((a{1000}){1000}){10})\"}"),
          OPEN_API.formatted("{\"items\":".repeat(5_000) + "{}" + "}".repeat(5_000)),
          "<!DOCTYPE a [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\">"
              + "<!ENTITY c \"&b;&b;&b;&b;&b;&b;&b;&b;\">]><definitions>&c;</definitions>",
          "<definitions xmlns=\"http://schemas.xmlsoap.org/wsdl/\">" + "<types>".repeat(20_000),
          "GET / HTTP/1.1\nHost: x\nX-Long: " + " a:".repeat(200_000),
          "curl 'http://x.invalid/?q=" + "%20".repeat(300_000) + "'",
          "x".repeat(4 << 20));

  private final Product product;
  private final Deque<Socket> open = new ArrayDeque<>();
  private int next;

  Hostile(Product product) {
    this.product = product;
  }

  /**
   * One more of them.
   *
   * @return whether it was answered as nothing may be answered
   */
  boolean act() throws IOException, InterruptedException {
    int turn = next++;
    if (turn % 3 == 0) {
      halfOpen();
      return false;
    }
    if (turn % 3 == 1) {
      String source = DESCRIPTIONS.get(turn / 3 % DESCRIPTIONS.size());
      return isWrong(
          product.post(
              "/api/intakes",
              JSON,
              JsonNodeFactory.instance.objectNode().put("source", source).toString()));
    }
    return isWrong(
        switch (turn / 3 % 4) {
          case 0 -> product.post("/api/apps/duty-desk/edits", JSON, "{\"version\":null}");
          case 1 -> product.post("/api/intakes/files", "multipart/form-data", "no boundary");
          case 2 -> product.post("/api/apps", JSON, "[".repeat(100_000));
          default -> product.get("/api/runs/%00%ff/events");
        });
  }

  private static boolean isWrong(HttpResponse<String> answer) {
    boolean busy = answer.statusCode() == 503;
    boolean told =
        answer.body().startsWith("{")
            && new JsonMapper()
                    .readTree(answer.body().lines().toList().getLast())
                    .at("/problem/status")
                    .asInt(0)
                == 500;
    return answer.statusCode() >= 500 && !busy || told;
  }

  /** Requests that begin and never end. */
  private void halfOpen() throws IOException {
    for (int i = 0; i < 20; i++) {
      Socket socket = new Socket(product.address().getHost(), product.address().getPort());
      socket
          .getOutputStream()
          .write("POST /api/apps HTTP/1.1\r\nHost: ".getBytes(StandardCharsets.US_ASCII));
      open.add(socket);
    }
    while (open.size() > HALF_OPEN) {
      open.remove().close();
    }
  }
}
