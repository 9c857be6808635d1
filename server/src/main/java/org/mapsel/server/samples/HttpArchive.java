package org.mapsel.server.samples;

import java.nio.charset.StandardCharsets;
import org.mapsel.core.message.Header;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** An exchange as an HTTP archive, version 1.2. */
final class HttpArchive {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private HttpArchive() {}

  static JsonNode of(ExchangeStore.Kept kept, String responseBody) {
    ObjectNode entry = NODES.objectNode();
    entry.put("startedDateTime", kept.startedAt().toString());
    entry.put("time", kept.tookMillis());
    entry.set("request", request(kept));
    entry.set("response", response(kept, responseBody));
    entry.set("cache", NODES.objectNode());
    ObjectNode timings = NODES.objectNode();
    timings.put("send", 0).put("wait", kept.tookMillis()).put("receive", 0);
    entry.set("timings", timings);
    ObjectNode log = NODES.objectNode();
    log.put("version", "1.2");
    log.set("creator", NODES.objectNode().put("name", "Mapsel").put("version", "1"));
    log.set("entries", NODES.arrayNode().add(entry));
    return NODES.objectNode().set("log", log);
  }

  private static ObjectNode request(ExchangeStore.Kept kept) {
    ArrayNode headers = NODES.arrayNode();
    String mediaType = "";
    for (Header header : kept.requestHeaders()) {
      headers.add(header(header.name(), header.value()));
      mediaType = header.name().equalsIgnoreCase("content-type") ? header.value() : mediaType;
    }
    ObjectNode request = NODES.objectNode();
    request.put("method", kept.method()).put("url", kept.address()).put("httpVersion", "HTTP/1.1");
    request.set("headers", headers);
    request.set("queryString", NODES.arrayNode());
    request.set("cookies", NODES.arrayNode());
    request.put("headersSize", -1).put("bodySize", kept.requestBody().length);
    ObjectNode body = NODES.objectNode();
    body.put("mimeType", mediaType);
    body.put("text", new String(kept.requestBody(), StandardCharsets.UTF_8));
    request.set("postData", body);
    return request;
  }

  private static ObjectNode response(ExchangeStore.Kept kept, String text) {
    ArrayNode headers = NODES.arrayNode();
    kept.responseHeaders()
        .forEach((name, values) -> values.forEach(value -> headers.add(header(name, value))));
    ObjectNode response = NODES.objectNode();
    response.put("status", kept.status().orElse(0)).put("statusText", "");
    response.put("httpVersion", "HTTP/1.1").put("redirectURL", "");
    response.set("headers", headers);
    response.set("cookies", NODES.arrayNode());
    response.put("headersSize", -1).put("bodySize", kept.responseBytes());
    ObjectNode content = NODES.objectNode();
    content.put("size", kept.responseBytes()).put("mimeType", "").put("text", text);
    response.set("content", content);
    return response;
  }

  private static ObjectNode header(String name, String value) {
    return NODES.objectNode().put("name", name).put("value", value);
  }
}
