package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A table of many rows, on a finished page. */
@ExtendWith(SharedProduct.class)
class LongTableJourneyTest {

  private static final int ROWS = 20_000;

  private static String description(String address) {
    return """
        {"openapi":"3.0.3","info":{"title":"Moorings","version":"1"},"servers":[{"url":"%s"}],
         "paths":{"/rings":{"get":{"operationId":"listRings","responses":{"200":{"description":"All.",
          "content":{"application/json":{"schema":{"type":"object","properties":{"rings":{"type":"array",
           "items":{"type":"object","properties":{"code":{"type":"string"},"load":{"type":"integer"}}}}}}}}}}}}}}"""
        .formatted(address);
  }

  private static void answer(HttpExchange exchange) throws IOException {
    String own = "http://localhost:" + exchange.getLocalAddress().getPort();
    String text =
        exchange.getRequestURI().getPath().equals("/rings")
            ? IntStream.range(0, ROWS)
                .mapToObj(at -> "{\"code\":\"R-" + at + "\",\"load\":" + at % 90 + "}")
                .collect(Collectors.joining(",", "{\"rings\":[", "]}"))
            : description(own);
    byte[] body = text.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    exchange.sendResponseHeaders(200, body.length);
    exchange.getResponseBody().write(body);
    exchange.close();
  }

  @Test
  void isScrolledInItsPlaceAndFetchedAsItComesNear(User user) throws IOException {
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", LongTableJourneyTest::answer);
    server.start();
    try {
      user.type(
          "Address or text of a description",
          "http://localhost:" + server.getAddress().getPort() + "/openapi.json");
      user.keys("Enter").press("listRings").press("Make a page from this").sees("What happens");
      String app = user.page.url().replaceAll(".*/apps/([^/]+)/.*", "$1");
      user.visit(app, "List rings").press("List rings").sees("20,000 rows");

      Locator box = user.role(AriaRole.GROUP, "Rings, rows");
      assertThat(box.getByText("R-0", new Locator.GetByTextOptions().setExact(true))).isVisible();
      box.evaluate("box => box.scrollTo(0, box.scrollHeight)");
      assertThat(box.getByText("R-19999")).isVisible();
      assertThat(box.getByRole(AriaRole.ROW).count())
          .as("only what is near is drawn")
          .isLessThan(400);

      // In another order what was fetched before is not shown again.
      user.press("Load").press("Load");
      assertThat(box.getByText("89").first()).isAttached();
      assertThat(box.getByText("R-19999")).hasCount(0);
    } finally {
      server.stop(0);
    }
  }
}
