package org.mapsel.core.appfile;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Base64;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import org.mapsel.core.document.AddressSecrets;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.page.App;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The descriptions of services in an app file. */
final class Descriptions {

  private static final String SERVICES = "services";
  private static final String SERVICE = "service";

  private Descriptions() {}

  /** Adds what is known of the services to the lines that name them. */
  static void add(ObjectNode file, List<ServiceDescription> descriptions) {
    for (JsonNode line : file.path(SERVICES)) {
      for (ServiceDescription one : descriptions) {
        if (line instanceof ObjectNode use
            && one.service().equals(line.path(SERVICE).asString(""))) {
          use.put("name", one.name());
          use.put("source", shared(one.source()));
          AppWriter.list(use, "documents", one.documents(), Descriptions::document);
        }
      }
    }
  }

  /** An address without users and keys: whoever gets the file need not know them. */
  private static String shared(String address) {
    return AddressSecrets.without(address);
  }

  private static ObjectNode document(SourceText document) {
    ObjectNode json = JsonNodeFactory.instance.objectNode();
    json.put("address", shared(document.address()));
    String text = new String(document.bytes(), StandardCharsets.UTF_8);
    if (Arrays.equals(text.getBytes(StandardCharsets.UTF_8), document.bytes())) {
      json.put("text", text);
    } else {
      json.put("base64", Base64.getEncoder().encodeToString(document.bytes()));
    }
    return json;
  }

  static List<ServiceDescription> read(Json file) {
    return file.list(
        SERVICES,
        line ->
            new ServiceDescription(
                line.text(SERVICE),
                line.findText("name").orElseGet(() -> line.text(SERVICE)),
                line.findText("source").orElse(""),
                line.text("edition"),
                line.list("documents", Descriptions::document)));
  }

  private static SourceText document(Json json) {
    byte[] bytes =
        json.findText("text")
            .map(text -> text.getBytes(StandardCharsets.UTF_8))
            .orElseGet(() -> decoded(json.get("base64")));
    return new SourceText(json.text("address"), bytes);
  }

  private static byte[] decoded(Json json) {
    try {
      return Base64.getDecoder().decode(json.text());
    } catch (IllegalArgumentException e) {
      throw json.wrong("Base64 (RFC 4648)");
    }
  }

  /**
   * The file with services called as another workspace calls them, and the editions that are used
   * there.
   */
  static JsonNode moved(JsonNode file, Map<String, App.ServiceUse> to) {
    JsonNode moved = file.deepCopy();
    for (JsonNode line : moved.path(SERVICES)) {
      App.ServiceUse use = to.get(line.path(SERVICE).asString(""));
      if (use != null && line instanceof ObjectNode json) {
        json.put("edition", use.edition());
      }
    }
    rename(moved, to);
    return moved;
  }

  /** Wherever a service is named in an app file, the member is called so and holds a text. */
  private static void rename(JsonNode root, Map<String, App.ServiceUse> to) {
    Deque<JsonNode> open = new ArrayDeque<>(List.of(root));
    while (!open.isEmpty()) {
      JsonNode node = open.pop();
      if (node instanceof ObjectNode json && json.path(SERVICE).isString()) {
        App.ServiceUse use = to.get(json.path(SERVICE).asString());
        if (use != null) {
          json.put(SERVICE, use.service());
        }
      }
      node.forEach(open::push);
    }
  }
}
