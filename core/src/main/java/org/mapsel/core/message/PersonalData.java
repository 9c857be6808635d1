package org.mapsel.core.message;

import java.net.URLEncoder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.document.PlainCharset;
import org.mapsel.core.document.ValuesByName;
import org.mapsel.core.document.ValuesByName.Lead;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Blanks what tells of persons in what is kept of messages, by the names of fields. What else is
 * called so is blanked too: it is better kept too little than too much.
 *
 * @param wire the names in messages
 * @param fields the names in values
 */
public record PersonalData(Set<String> wire, Set<String> fields) {

  /** What stands in the place of a value, in messages and in values. */
  public static final String BLANK = ValuesByName.MASK;

  public static final PersonalData NONE = new PersonalData(Set.of(), Set.of());

  public PersonalData {
    wire = Set.copyOf(wire);
    fields = Set.copyOf(fields);
  }

  /** A request as it may be kept. */
  public Request blankedIn(Request request) {
    if (wire.isEmpty()) {
      return request;
    }
    List<Header> headers =
        request.headers().stream()
            .map(
                header ->
                    wire.contains(header.name())
                        ? new Header(header.name(), BLANK, header.reason())
                        : header)
            .toList();
    return new Request(
        request.method(), blankedIn(request.address()), headers, blankedIn(request.body()));
  }

  /** A response as it may be kept. */
  public Response blankedIn(Response response) {
    if (wire.isEmpty()) {
      return response;
    }
    Map<String, List<String>> headers = new LinkedHashMap<>(response.headers());
    headers.replaceAll((name, values) -> wire.contains(name) ? List.of(BLANK) : values);
    return new Response(response.status(), headers, blankedIn(response.body()));
  }

  private byte[] blankedIn(byte[] body) {
    Charset charset = PlainCharset.of(body);
    String text = new String(body, charset);
    String blanked = blankedIn(text);
    return blanked.equals(text) ? body : blanked.getBytes(charset);
  }

  private String blankedIn(String text) {
    Set<String> written = written();
    return ValuesByName.hide(
        text,
        (lead, name) -> lead != Lead.OPTION && lead != Lead.USER && written.contains(name),
        new ValuesByName.Mask(BLANK, false),
        name -> {});
  }

  /** The names as they are written: as characters, as their bytes, and in addresses. */
  private Set<String> written() {
    Set<String> written = new HashSet<>();
    for (String name : wire) {
      written.add(name);
      written.add(new String(name.getBytes(StandardCharsets.UTF_8), StandardCharsets.ISO_8859_1));
      String encoded = URLEncoder.encode(name, StandardCharsets.UTF_8);
      written.add(encoded);
      written.add(encoded.replace("+", "%20"));
    }
    return written;
  }

  /** Values as they may be kept: each scalar of such a field is a text that says nothing. */
  public JsonNode blankedIn(JsonNode values) {
    return fields.isEmpty() ? values : blanked(values, false);
  }

  private JsonNode blanked(JsonNode values, boolean personal) {
    return switch (values) {
      case ObjectNode record -> {
        ObjectNode blanked = JsonNodeFactory.instance.objectNode();
        record
            .properties()
            .forEach(
                member ->
                    blanked.set(
                        member.getKey(),
                        blanked(member.getValue(), personal || fields.contains(member.getKey()))));
        yield blanked;
      }
      case ArrayNode list -> {
        ArrayNode blanked = JsonNodeFactory.instance.arrayNode();
        list.forEach(item -> blanked.add(blanked(item, personal)));
        yield blanked;
      }
      default -> personal && !values.isNull() ? JsonNodeFactory.instance.stringNode(BLANK) : values;
    };
  }

  /** Those of both. */
  public PersonalData and(PersonalData other) {
    return new PersonalData(both(wire, other.wire), both(fields, other.fields));
  }

  private static Set<String> both(Set<String> one, Set<String> other) {
    Set<String> both = new HashSet<>(one);
    both.addAll(other);
    return both;
  }
}
