package org.mapsel.core.shape;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Members of a record of which some must be there: all of one alternative (JSON Schema 2020-12,
 * sections 10.2.1 of the core and 6.5.3 of the validation).
 *
 * @param alternatives the labels of the members that each of them wants
 * @param exclusive whether one alone may be met
 */
public record Demand(List<Set<String>> alternatives, boolean exclusive) {

  public Demand {
    alternatives = List.copyOf(alternatives);
  }

  /** The alternatives as people read them. */
  public String words() {
    return alternatives.stream()
        .map(wanted -> wanted.stream().sorted().collect(Collectors.joining(" and ")))
        .collect(Collectors.joining("; or "));
  }
}
