package org.mapsel.core.ref;

import java.util.Optional;

/**
 * A step of a path that picks one item of a list by what stands in one of its fields, as in {@code
 * entry › key=LOA › value}. A step without an equals sign is none.
 */
public record Selector(String field, String value) {

  private static final char EQUALS = '=';

  public static Optional<Selector> in(String step) {
    int at = step.indexOf(EQUALS);
    // A pattern may well have an equals sign in it.
    return at <= 0 || Cut.in(step).isPresent()
        ? Optional.empty()
        : Optional.of(new Selector(step.substring(0, at), step.substring(at + 1)));
  }

  public String step() {
    return field + EQUALS + value;
  }
}
