package org.mapsel.core.message.soap;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.Value;

/** The parts of a multipart message beside the envelope, by content id (RFC 2392) and location. */
final class Attachments {

  static final Attachments NONE = new Attachments(Map.of());

  private static final String XOP = "http://www.w3.org/2004/08/xop/include";

  private final Map<String, BinaryValue> byId;

  Attachments(Map<String, BinaryValue> byId) {
    this.byId = new LinkedHashMap<>(byId);
  }

  boolean isEmpty() {
    return byId.isEmpty();
  }

  /** What a {@code cid:} address or a location leads to. */
  Optional<Value> find(String address) {
    if (!address.startsWith("cid:")) {
      return Optional.ofNullable(byId.get(address));
    }
    String id = address.substring(4);
    return Optional.<Value>ofNullable(byId.get(id))
        .or(
            () ->
                Optional.ofNullable(
                    byId.get(URLDecoder.decode(id.replace("+", "%2B"), StandardCharsets.UTF_8))));
  }

  /**
   * The part that a description binds to an attachment: its content id starts with the part's name
   * (WS-I Attachments Profile 1.0, section 3.8).
   */
  Optional<Value> part(String name) {
    return byId.entrySet().stream()
        .filter(entry -> entry.getKey().equals(name) || entry.getKey().startsWith(name + "="))
        .findFirst()
        .map(Map.Entry::getValue);
  }

  /** The content of the current element, or of the part that it includes (XOP 1.0, section 2.1). */
  Value included(XmlCursor cursor, Function<String, Value> otherwise) throws DocumentException {
    StringBuilder text = new StringBuilder();
    Optional<Value> found = Optional.empty();
    int depth = cursor.depth();
    while (cursor.nextChildOrText(depth, text)) {
      if (cursor.local().equals("Include") && cursor.namespace().equals(XOP)) {
        found = cursor.attribute("href").flatMap(this::find);
      }
    }
    return found.orElseGet(() -> otherwise.apply(text.toString()));
  }
}
