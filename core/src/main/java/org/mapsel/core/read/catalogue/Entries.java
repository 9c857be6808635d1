package org.mapsel.core.read.catalogue;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** Entries of a catalogue being read: each address counts once, with the first name it is given. */
final class Entries {

  /** What stands in addresses for the description and not for the service. */
  private static final Pattern USUAL_NAME =
      Pattern.compile(
          "(?i)\\$metadata|swagger|openapi|api-docs|api|services?|v?\\d+(\\.\\d+)*|[^.]*\\.(asmx|svc)$");

  private static final Pattern ENDING =
      Pattern.compile("(?i)\\.(wsdl|json|ya?ml|xml|asmx|svc|php|jws)$");

  private final Map<String, CatalogueEntry> byAddress = new LinkedHashMap<>();

  void add(String name, String address, String documentation) {
    byAddress.putIfAbsent(
        address,
        new CatalogueEntry(
            name.isBlank() ? nameOf(address) : name.strip(), address, documentation.strip()));
  }

  List<CatalogueEntry> toList() {
    return new ArrayList<>(byAddress.values());
  }

  /** The last part of the address that tells services apart. */
  static String nameOf(String address) {
    String path = address.replaceFirst("[?#].*", "").replaceFirst("^[a-z+]+://", "");
    String[] steps = path.split("/");
    for (int i = steps.length - 1; i > 0; i--) {
      String step = ENDING.matcher(decoded(steps[i])).replaceFirst("");
      if (!step.isBlank() && !USUAL_NAME.matcher(step).matches()) {
        return step;
      }
    }
    return steps[0].isBlank() ? address : steps[0];
  }

  private static String decoded(String step) {
    try {
      return URLDecoder.decode(step.replace("+", "%2B"), StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      // Not everything with a percent sign is encoded.
      return step;
    }
  }
}
