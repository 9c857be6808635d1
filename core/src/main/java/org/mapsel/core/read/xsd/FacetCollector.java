package org.mapsel.core.read.xsd;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.shape.Facets;

/** Gathers the facets of a restriction, one element each. */
final class FacetCollector {

  private final List<String> enumeration = new ArrayList<>();
  private final List<String> patterns = new ArrayList<>();
  private final Map<String, String> bounds = new HashMap<>();

  /** Takes the facet that the cursor stands on; other elements are passed over. */
  void take(XmlCursor cursor) {
    Optional<String> value = cursor.attribute("value");
    if (value.isEmpty()) {
      return;
    }
    switch (cursor.local()) {
      case "enumeration" -> enumeration.add(value.get());
      case "pattern" -> patterns.add(value.get());
      case "length" -> {
        bounds.put("minLength", value.get());
        bounds.put("maxLength", value.get());
      }
      default -> bounds.put(cursor.local(), value.get().strip());
    }
  }

  Facets collected() {
    if (enumeration.isEmpty() && patterns.isEmpty() && bounds.isEmpty()) {
      return Facets.NONE;
    }
    return new Facets(
        enumeration,
        text("minInclusive"),
        text("maxInclusive"),
        text("minExclusive"),
        text("maxExclusive"),
        count("minLength"),
        count("maxLength"),
        count("totalDigits"),
        count("fractionDigits"),
        Optional.empty(),
        // Patterns of one restriction are alternatives (part 2, section 4.3.4).
        patterns.isEmpty() ? List.of() : List.of(String.join("|", patterns)));
  }

  private Optional<String> text(String facet) {
    return Optional.ofNullable(bounds.get(facet));
  }

  private Optional<Integer> count(String facet) {
    // A bound that no int holds narrows nothing that fits in memory.
    return text(facet).filter(text -> text.matches("\\d{1,9}")).map(Integer::valueOf);
  }
}
