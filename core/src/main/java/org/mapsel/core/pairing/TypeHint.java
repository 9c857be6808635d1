package org.mapsel.core.pairing;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;

/** The types of two fields, and what narrows them. */
final class TypeHint implements Hint {

  private static final Set<ScalarType> NUMBERS =
      Set.of(ScalarType.INTEGER, ScalarType.DECIMAL, ScalarType.FLOAT);
  private static final Set<ScalarType> TIMES =
      Set.of(ScalarType.DATE, ScalarType.DATE_TIME, ScalarType.TIME, ScalarType.PARTIAL_DATE);
  private static final Set<ScalarType> YEARS = Set.of(ScalarType.PARTIAL_DATE, ScalarType.INTEGER);
  private static final Set<ScalarType> TEXTS =
      Set.of(ScalarType.TEXT, ScalarType.NAME, ScalarType.URI);

  @Override
  public Evidence of(Described left, Described right) {
    ScalarType one = left.field().type();
    ScalarType other = right.field().type();
    Facets first = left.field().facets();
    Facets second = right.field().facets();
    if (!first.enumeration().isEmpty() && !second.enumeration().isEmpty()) {
      return codes(first.enumeration(), second.enumeration());
    }
    double sum;
    String reason = "";
    if (one == other) {
      sum = TEXTS.contains(one) ? 0.5 : 1.0;
      reason = "same type";
    } else if (isBoth(NUMBERS, one, other) || isBoth(TEXTS, one, other)) {
      sum = 0.4;
      reason = "types of one kind";
    } else if (isBoth(TIMES, one, other) || isBoth(YEARS, one, other)) {
      sum = 0.1;
      reason = "types of one kind";
    } else if (TEXTS.contains(one) || TEXTS.contains(other)) {
      sum = -0.4;
    } else {
      sum = -6;
    }
    if (first.maxLength().isPresent() && first.maxLength().equals(second.maxLength())) {
      sum += 0.4;
    }
    if (!first.patterns().isEmpty() && first.patterns().equals(second.patterns())) {
      sum += 1;
      reason = "same form of values";
    }
    return new Evidence(sum, reason);
  }

  private static boolean isBoth(Set<ScalarType> kind, ScalarType one, ScalarType other) {
    return kind.contains(one) && kind.contains(other);
  }

  private static Evidence codes(List<String> one, List<String> other) {
    Set<String> first = lower(one);
    Set<String> second = lower(other);
    long same = first.stream().filter(second::contains).count();
    double share = (double) same / Math.min(first.size(), second.size());
    return share >= 0.5
        ? new Evidence(
            1 + 1.5 * share, same + " of " + Math.min(first.size(), second.size()) + " codes equal")
        : new Evidence(-0.5 + share, "");
  }

  private static Set<String> lower(List<String> codes) {
    return codes.stream().map(code -> code.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
  }
}
