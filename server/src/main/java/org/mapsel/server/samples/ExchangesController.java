package org.mapsel.server.samples;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.Header;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.Problem;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The wire: exchanges as they were sent and answered. */
@RestController
@RequestMapping("/api/exchanges/{id}")
class ExchangesController {

  /** An exchange with its bodies as text. */
  record ExchangeView(
      String id,
      OffsetDateTime startedAt,
      long tookMillis,
      String method,
      String address,
      List<Header> requestHeaders,
      String requestBody,
      @Nullable Integer status,
      List<NamedText> responseHeaders,
      String responseBody,
      long responseBytes,
      boolean cut,
      @Nullable FindingView failure,
      String curl) {}

  /** A header as it came. */
  record NamedText(String name, String value) {}

  private final ExchangeStore store;

  ExchangesController(ExchangeStore store) {
    this.store = store;
  }

  @GetMapping
  ExchangeView get(@PathVariable String id) {
    ExchangeStore.Kept kept = kept(id);
    return new ExchangeView(
        kept.id(),
        kept.startedAt(),
        kept.tookMillis(),
        kept.method(),
        kept.address(),
        kept.requestHeaders(),
        new String(kept.requestBody(), StandardCharsets.UTF_8),
        kept.status().orElse(null),
        responseHeaders(kept),
        BodyText.of(kept),
        kept.responseBytes(),
        kept.responseBytes() > kept.responseBody().length,
        kept.failure().orElse(null),
        Curl.of(kept));
  }

  /** The exchange as an HTTP archive (HAR 1.2), which browsers and many tools open. */
  @GetMapping("/har")
  ResponseEntity<JsonNode> har(@PathVariable String id) {
    ExchangeStore.Kept kept = kept(id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("exchange.har").build().toString())
        .body(HttpArchive.of(kept, BodyText.of(kept)));
  }

  private ExchangeStore.Kept kept(String id) {
    return store.find(id).orElseThrow(() -> Problem.missing("SERVER_EXCHANGE_MISSING"));
  }

  private static List<NamedText> responseHeaders(ExchangeStore.Kept kept) {
    List<NamedText> headers = new ArrayList<>();
    for (Map.Entry<String, List<String>> header : kept.responseHeaders().entrySet()) {
      header.getValue().forEach(value -> headers.add(new NamedText(header.getKey(), value)));
    }
    return headers;
  }
}
