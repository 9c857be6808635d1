package org.mapsel.core.mapping;

import java.util.Objects;

/**
 * What fills a slot. Conversions on the way are found by the types at both ends.
 *
 * @param likely why it looked to belong there, in words; empty where a person chose it or looked at
 *     it since
 */
public record Mapping(Source source, String likely) {

  public Mapping {
    Objects.requireNonNull(source);
    Objects.requireNonNull(likely);
  }

  public Mapping(Source source) {
    this(source, "");
  }

  public static Mapping fixed(String text) {
    return new Mapping(new Source.Fixed(text));
  }

  /** The same from elsewhere. */
  public Mapping with(Source other) {
    return new Mapping(other, likely);
  }
}
