package org.mapsel.core.appfile;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Format 1 had mappings on calls, from and to: they become slots. It copied labels, types and help
 * when a field was ticked: only labels that people changed are kept, all else comes from the
 * description again.
 */
final class FromOneToTwo implements AppFile.Upgrade {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  /** Ids of format 1 have no numbers that new ones could meet. */
  private static final int ISSUED = 1_000;

  @Override
  public JsonNode upgraded(JsonNode before) {
    ObjectNode after = NODES.objectNode();
    after.put(AppFile.NUMBER, 2).set("name", before.path("name"));
    after.put("issued", ISSUED);
    after.set("services", before.path("services"));
    ArrayNode pages = after.putArray("pages");
    before.path("pages").forEach(page -> pages.add(page(page)));
    return after;
  }

  private static ObjectNode page(JsonNode before) {
    ObjectNode after = NODES.objectNode();
    after.set("id", before.path("id"));
    after.set("name", before.path("name"));
    ArrayNode parts = after.putArray("parts");
    before.path("parts").forEach(part -> parts.add(part(part, before)));
    ArrayNode calls = after.putArray("calls");
    before.path("calls").forEach(call -> calls.add(call(call)));
    ArrayNode reactions = after.putArray("reactions");
    for (JsonNode reaction : before.path("reactions")) {
      ArrayNode steps = NODES.arrayNode();
      reaction
          .path("steps")
          .forEach(
              step -> {
                if (step.path("kind").asString("").equals("call")) {
                  steps.add(step);
                }
              });
      ObjectNode kept = reactions.addObject();
      kept.put("id", "reaction" + reactions.size()).set("when", reaction.path("when"));
      kept.set("steps", steps);
    }
    return after;
  }

  private static ObjectNode part(JsonNode before, JsonNode page) {
    String kind = before.path("kind").asString("");
    String label = before.path("label").asString("");
    ObjectNode after = NODES.objectNode();
    after.put("kind", kind).set("id", before.path("id"));
    Optional<JsonNode> rows = kind.equals("table") ? rows(before, page) : Optional.empty();
    boolean usual =
        rows.isPresent() && label.equals(label(lastName(rows.get().path("source").path("path"))));
    if (!label.isEmpty() && !usual) {
      after.set("heading", NODES.objectNode().put("kind", "fixed").put("text", label));
    }
    rows.ifPresent(mapping -> after.set("rows", returned(mapping)));
    ArrayNode items = NODES.arrayNode();
    before.path("inputs").forEach(input -> items.add(input(input, page)));
    before.path("items").forEach(item -> items.add(shown(item, before, rows, page)));
    if (!items.isEmpty()) {
      after.set("items", items);
    }
    return after;
  }

  private static Optional<JsonNode> rows(JsonNode part, JsonNode page) {
    return mappings(page, "comesBack")
        .filter(
            mapping ->
                mapping.path("target").path("kind").asString("").equals("rows")
                    && mapping.path("target").path("part").equals(part.path("id")))
        .findFirst();
  }

  /** All mappings of a page on one side, each with the id of its call. */
  private static Stream<JsonNode> mappings(JsonNode page, String side) {
    List<JsonNode> all = new ArrayList<>();
    for (JsonNode call : page.path("calls")) {
      for (JsonNode mapping : call.path(side)) {
        ObjectNode with = (ObjectNode) mapping.deepCopy();
        with.set("call", call.path("id"));
        all.add(with);
      }
    }
    return all.stream();
  }

  private static ObjectNode input(JsonNode before, JsonNode page) {
    ObjectNode after = NODES.objectNode();
    after.set("id", before.path("id"));
    Optional<String> name =
        mappings(page, "goesIn")
            .filter(mapping -> mapping.path("source").path("input").equals(before.path("id")))
            .map(mapping -> lastName(mapping.path("target").path("path")))
            .findFirst();
    only(after, before, name);
    return after;
  }

  private static ObjectNode shown(
      JsonNode before, JsonNode part, Optional<JsonNode> rows, JsonNode page) {
    ObjectNode after = NODES.objectNode();
    after.set("id", before.path("id"));
    Optional<JsonNode> mapping =
        mappings(page, "comesBack")
            .filter(
                one ->
                    one.path("target").path("kind").asString("").equals("item")
                        && one.path("target").path("part").equals(part.path("id"))
                        && one.path("target").path("item").equals(before.path("id")))
            .findFirst();
    mapping.ifPresent(one -> after.set("value", value(one, rows)));
    only(after, before, mapping.map(one -> lastName(one.path("source").path("path"))));
    return after;
  }

  private static ObjectNode value(JsonNode mapping, Optional<JsonNode> rows) {
    JsonNode path = mapping.path("source").path("path");
    if (rows.isPresent() && rows.get().path("call").equals(mapping.path("call"))) {
      JsonNode base = rows.get().path("source").path("path");
      if (startsWith(path, base)) {
        ArrayNode below = NODES.arrayNode();
        for (int i = base.size(); i < path.size(); i++) {
          below.add(path.get(i));
        }
        ObjectNode row = NODES.objectNode().put("kind", "row");
        row.set("path", path(below));
        return row;
      }
    }
    return returned(mapping);
  }

  private static boolean startsWith(JsonNode path, JsonNode base) {
    for (int i = 0; i < base.size(); i++) {
      if (i >= path.size() || !path.get(i).equals(base.get(i))) {
        return false;
      }
    }
    return true;
  }

  private static ObjectNode returned(JsonNode mapping) {
    ObjectNode source = NODES.objectNode().put("kind", "returned");
    source.set("call", mapping.path("call"));
    source.set("path", path(mapping.path("source").path("path")));
    return source;
  }

  /** Keeps a label that is not what its name was made into. */
  private static void only(ObjectNode after, JsonNode before, Optional<String> name) {
    String label = before.path("label").asString("");
    boolean usual = name.filter(known -> label.equals(label(known))).isPresent();
    if (!label.isEmpty() && !usual) {
      after.putObject("only").put("label", label);
    }
  }

  private static ObjectNode call(JsonNode before) {
    ObjectNode after = NODES.objectNode();
    for (String member : List.of("id", "service", "operation", "endpoint")) {
      after.set(member, before.path(member));
    }
    ArrayNode parameters = NODES.arrayNode();
    for (JsonNode mapping : before.path("goesIn")) {
      ObjectNode parameter = parameters.addObject();
      parameter.set("path", path(mapping.path("target").path("path")));
      parameter.set("from", mapping.path("source"));
    }
    if (!parameters.isEmpty()) {
      after.set("parameters", parameters);
    }
    return after;
  }

  /** Steps that picked or cut had a spelling of their own. */
  private static ArrayNode path(JsonNode before) {
    ArrayNode after = NODES.arrayNode();
    before.forEach(step -> after.add(step(step.asString(""))));
    return after;
  }

  private static JsonNode step(String step) {
    int slash = step.lastIndexOf('/');
    String flags = step.substring(slash + 1);
    if (slash > 1 && step.charAt(0) == '/' && (flags.isEmpty() || flags.equals("g"))) {
      return NODES
          .objectNode()
          .put("cut", step.substring(1, slash))
          .put("every", flags.equals("g"));
    }
    int equals = step.indexOf('=');
    return equals > 0
        ? NODES
            .objectNode()
            .put("key", step.substring(0, equals))
            .put("is", step.substring(equals + 1))
        : NODES.stringNode(step);
  }

  private static String lastName(JsonNode path) {
    String last = path.isEmpty() ? "" : path.get(path.size() - 1).asString("");
    for (JsonNode step : path) {
      int equals = step.asString("").indexOf('=');
      last = equals > 0 ? step.asString("").substring(equals + 1) : last;
    }
    return last;
  }

  /** What format 1 made of a name. */
  private static String label(String wireName) {
    String[] words =
        wireName
            .replaceAll("([\\p{Ll}\\d])(\\p{Lu})", "$1 $2")
            .replaceAll("(\\p{Lu}+)(\\p{Lu}\\p{Ll})", "$1 $2")
            .split("[ _.\\-]+");
    StringBuilder label = new StringBuilder();
    for (String word : words) {
      if (!word.isEmpty()) {
        boolean abbreviation = word.length() > 1 && word.equals(word.toUpperCase(Locale.ROOT));
        label
            .append(label.isEmpty() ? "" : " ")
            .append(abbreviation ? word : word.toLowerCase(Locale.ROOT));
      }
    }
    return label.isEmpty()
        ? wireName
        : label.substring(0, 1).toUpperCase(Locale.ROOT) + label.substring(1);
  }
}
