package org.mapsel.core.mapping;

/** What fills a slot. Conversions on the way are found by the types at both ends. */
public record Mapping(Source source) {

  public static Mapping fixed(String text) {
    return new Mapping(new Source.Fixed(text));
  }
}
