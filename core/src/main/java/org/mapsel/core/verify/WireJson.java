package org.mapsel.core.verify;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Messages in sample files; see docs/formats/sample.schema.json. Bodies that are no text in UTF-8
 * are in base64.
 */
final class WireJson {

  private static final String SENT = "sent";
  private static final String CAME = "came";
  private static final String HEADERS = "headers";
  private static final String BODY = "body";
  private static final String BYTES = "bytes";

  private WireJson() {}

  static void write(ObjectNode json, OverTheWire wire) {
    wire.sent()
        .ifPresent(
            request -> {
              ObjectNode sent = json.putObject(SENT);
              sent.put("method", request.method());
              sent.put("address", request.address());
              ArrayNode headers = sent.putArray(HEADERS);
              request.headers().forEach(one -> headers.addArray().add(one.name()).add(one.value()));
              body(sent, request.body());
            });
    wire.came()
        .ifPresent(
            response -> {
              ObjectNode came = json.putObject(CAME);
              came.put("status", response.status());
              ArrayNode headers = came.putArray(HEADERS);
              response
                  .headers()
                  .forEach(
                      (name, values) ->
                          values.forEach(value -> headers.addArray().add(name).add(value)));
              body(came, response.body());
            });
  }

  private static void body(ObjectNode message, byte[] body) {
    try {
      String text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(body)).toString();
      message.put(BODY, text);
    } catch (CharacterCodingException e) {
      message.put(BYTES, Base64.getEncoder().encodeToString(body));
    }
  }

  /**
   * Reads them.
   *
   * @throws IllegalArgumentException if bytes are not in base64
   */
  static OverTheWire read(JsonNode json) {
    return new OverTheWire(
        Optional.of(json.path(SENT))
            .filter(JsonNode::isObject)
            .map(
                sent ->
                    new Request(
                        sent.path("method").asString("GET"),
                        sent.path("address").asString(""),
                        headers(sent).stream()
                            .map(one -> new Header(one.getKey(), one.getValue(), ""))
                            .toList(),
                        body(sent))),
        Optional.of(json.path(CAME))
            .filter(JsonNode::isObject)
            .map(
                came -> {
                  Map<String, List<String>> headers = new LinkedHashMap<>();
                  for (Map.Entry<String, String> one : headers(came)) {
                    headers
                        .computeIfAbsent(one.getKey(), none -> new ArrayList<>())
                        .add(one.getValue());
                  }
                  return new Response(came.path("status").asInt(200), headers, body(came));
                }));
  }

  private static List<Map.Entry<String, String>> headers(JsonNode message) {
    List<Map.Entry<String, String>> headers = new ArrayList<>();
    for (JsonNode header : message.path(HEADERS)) {
      headers.add(Map.entry(header.path(0).asString(""), header.path(1).asString("")));
    }
    return headers;
  }

  private static byte[] body(JsonNode message) {
    return message.has(BYTES)
        ? Base64.getDecoder().decode(message.path(BYTES).asString(""))
        : message.path(BODY).asString("").getBytes(StandardCharsets.UTF_8);
  }
}
