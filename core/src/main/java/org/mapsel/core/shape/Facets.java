package org.mapsel.core.shape;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What narrows a simple type (XML Schema 1.0 part 2, section 4.3). Bounds are kept as written; the
 * strings in {@code enumeration} are the allowed texts in their order, none means any.
 */
public record Facets(
    List<String> enumeration,
    Optional<String> minInclusive,
    Optional<String> maxInclusive,
    Optional<String> minExclusive,
    Optional<String> maxExclusive,
    Optional<Integer> minLength,
    Optional<Integer> maxLength,
    Optional<Integer> totalDigits,
    Optional<Integer> fractionDigits,
    Optional<String> multipleOf,
    List<String> patterns) {

  public static final Facets NONE =
      new Facets(
          List.of(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          List.of());

  public Facets {
    enumeration = List.copyOf(enumeration);
    patterns = List.copyOf(patterns);
  }

  /** Only these texts. */
  public static Facets oneOf(List<String> allowed) {
    return NONE.with(allowed, NONE.minInclusive, NONE.maxInclusive, NONE.patterns);
  }

  /** Nothing below the one or above the other, where there is one. */
  public static Facets between(Optional<String> least, Optional<String> most) {
    return NONE.with(NONE.enumeration, least, most, NONE.patterns);
  }

  /** Only texts that match. */
  public static Facets matching(String pattern) {
    return NONE.with(NONE.enumeration, NONE.minInclusive, NONE.maxInclusive, List.of(pattern));
  }

  private Facets with(
      List<String> allowed, Optional<String> least, Optional<String> most, List<String> matched) {
    return new Facets(
        allowed,
        least,
        most,
        minExclusive,
        maxExclusive,
        minLength,
        maxLength,
        totalDigits,
        fractionDigits,
        multipleOf,
        matched);
  }

  /** These facets where they say something, those of the base type elsewhere; patterns add up. */
  public Facets over(Facets base) {
    if (base == NONE) {
      return this;
    }
    List<String> allPatterns = new ArrayList<>(base.patterns);
    allPatterns.addAll(patterns);
    return new Facets(
        enumeration.isEmpty() ? base.enumeration : enumeration,
        minInclusive.or(() -> minExclusive.isPresent() ? Optional.empty() : base.minInclusive),
        maxInclusive.or(() -> maxExclusive.isPresent() ? Optional.empty() : base.maxInclusive),
        minExclusive.or(() -> minInclusive.isPresent() ? Optional.empty() : base.minExclusive),
        maxExclusive.or(() -> maxInclusive.isPresent() ? Optional.empty() : base.maxExclusive),
        minLength.or(base::minLength),
        maxLength.or(base::maxLength),
        totalDigits.or(base::totalDigits),
        fractionDigits.or(base::fractionDigits),
        multipleOf.or(base::multipleOf),
        allPatterns);
  }
}
