package org.mapsel.core.read.openapi;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.HttpDeclaration.ServerDeclaration;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.read.Reading;

/** Server addresses with variables in them (OpenAPI 3.1, Server Object). */
final class Servers {

  /** More addresses than this are no choice for a person. */
  private static final int MAX_ADDRESSES = 16;

  private Servers() {}

  /** One address for each combination of the values that the variables may have. */
  static List<ServerDeclaration> read(Located server) {
    List<String> addresses = new ArrayList<>(List.of(server.node().text("url")));
    Optional<Located> variables = server.find("variables");
    for (String name : variables.map(all -> all.node().names()).orElse(List.of())) {
      DataNode variable = variables.get().find(name).map(Located::node).orElseThrow();
      List<String> values = new ArrayList<>(List.of(variable.text("default")));
      variable.items("enum").stream()
          .map(DataNode::text)
          .filter(value -> !values.contains(value))
          .forEach(values::add);
      List<String> filled = new ArrayList<>();
      for (String value : values) {
        addresses.stream()
            .map(address -> address.replace("{" + name + "}", value))
            .filter(address -> !filled.contains(address))
            .forEach(filled::add);
      }
      addresses = filled.subList(0, Math.min(filled.size(), MAX_ADDRESSES));
    }
    return addresses.stream()
        .map(address -> new ServerDeclaration(address, server.node().text("description")))
        .toList();
  }

  /** An address as it is meant in a document; beside a file there is no server. */
  static String resolved(String document, String address) {
    return origin(document).isEmpty() ? address : Reading.resolve(document, address);
  }

  /** Scheme and host of an address; empty if it has none. */
  static String origin(String address) {
    try {
      URI uri = URI.create(address);
      return uri.getHost() == null ? "" : uri.getScheme() + "://" + uri.getAuthority();
    } catch (IllegalArgumentException e) {
      // What is no address has no host.
      return "";
    }
  }
}
