package org.mapsel.core.serve;

import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;

/**
 * A request as it arrived.
 *
 * @param path as it was sent, with percent-encoding, from the root of the stand-in on
 * @param query what stands behind the question mark, as it was sent; empty if there is none
 */
public record IncomingRequest(
    String method, String path, String query, Map<String, List<String>> headers, byte[] body) {

  /** A request as it arrives where it is sent; nothing if its address is none. */
  public static Optional<IncomingRequest> of(Request request) {
    URI address;
    try {
      address = URI.create(request.address());
    } catch (IllegalArgumentException e) {
      // Descriptions hold placeholders where an address should be.
      return Optional.empty();
    }
    Map<String, List<String>> headers = new LinkedHashMap<>();
    for (Header header : request.headers()) {
      headers.computeIfAbsent(header.name(), none -> new ArrayList<>()).add(header.value());
    }
    return Optional.of(
        new IncomingRequest(
            request.method(),
            Optional.ofNullable(address.getRawPath()).orElse(""),
            Optional.ofNullable(address.getRawQuery()).orElse(""),
            headers,
            request.body()));
  }

  /** The first header of this name, whatever its case. */
  public Optional<String> header(String name) {
    return headers.entrySet().stream()
        .filter(entry -> entry.getKey().equalsIgnoreCase(name))
        .flatMap(entry -> entry.getValue().stream())
        .findFirst();
  }

  /** Whether its path is one, or begins with it and goes on. */
  boolean isBelow(String base) {
    return path.equals(base) || path.startsWith(base.isEmpty() ? "/" : base + "/");
  }

  /** The same, below a path that it starts with. */
  IncomingRequest below(String base) {
    return new IncomingRequest(method, path.substring(base.length()), query, headers, body);
  }

  /** Names and values of the query, decoded, in their order. */
  List<Map.Entry<String, String>> pairs() {
    return pairs(query);
  }

  /** Names and values of a form or a query, decoded (WHATWG URL, section 5.1). */
  static List<Map.Entry<String, String>> pairs(String text) {
    List<Map.Entry<String, String>> pairs = new ArrayList<>();
    for (String pair : text.split("&")) {
      if (!pair.isEmpty()) {
        int equals = pair.indexOf('=');
        pairs.add(
            Map.entry(
                decoded(equals < 0 ? pair : pair.substring(0, equals)),
                equals < 0 ? "" : decoded(pair.substring(equals + 1))));
      }
    }
    return pairs;
  }

  /** A part of an address without its percent-encoding; what is not encoded well stays. */
  static String decoded(String text) {
    try {
      return URLDecoder.decode(text, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      // Whoever compares it with anything will not find it.
      return text;
    }
  }
}
