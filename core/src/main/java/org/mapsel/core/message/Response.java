package org.mapsel.core.message;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A response as it came, the body decompressed. */
public record Response(int status, Map<String, List<String>> headers, byte[] body) {

  /** The first header of this name, whatever its case. */
  public Optional<String> header(String name) {
    return headers.entrySet().stream()
        .filter(entry -> entry.getKey().equalsIgnoreCase(name))
        .flatMap(entry -> entry.getValue().stream())
        .findFirst();
  }
}
