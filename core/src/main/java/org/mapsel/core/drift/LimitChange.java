package org.mapsel.core.drift;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.shape.Facets;

/**
 * How the limits of a value differ, other than the codes that it may have (XML Schema 1.0 part 2,
 * section 4.3).
 *
 * @param narrower whether something that was allowed is not any more
 * @param before the limits that are others now, in words; nothing where there were none
 * @param after what they are now
 */
record LimitChange(boolean narrower, String before, String after) {

  /** Which way a limit narrows. */
  private enum Way {
    UP,
    DOWN,
    ANY
  }

  private static final class Told {
    private final List<String> before = new ArrayList<>();
    private final List<String> after = new ArrayList<>();
    private boolean narrower;

    void limit(String words, Way way, Optional<?> was, Optional<?> is) {
      Optional<String> old = was.map(Object::toString);
      Optional<String> now = is.map(Object::toString);
      if (!old.equals(now)) {
        old.ifPresent(value -> before.add(words.formatted(value)));
        now.ifPresent(value -> after.add(words.formatted(value)));
        narrower |= now.isPresent() && (old.isEmpty() || narrows(way, old.get(), now.get()));
      }
    }

    private static boolean narrows(Way way, String was, String is) {
      try {
        int more = new BigDecimal(is.strip()).compareTo(new BigDecimal(was.strip()));
        return way == Way.ANY || (way == Way.UP ? more > 0 : more < 0);
      } catch (NumberFormatException e) {
        // Times and patterns are not compared: it may be narrower.
        return true;
      }
    }
  }

  static Optional<LimitChange> between(Facets was, Facets is) {
    Told told = new Told();
    told.limit("at least %s", Way.UP, was.minInclusive(), is.minInclusive());
    told.limit("above %s", Way.UP, was.minExclusive(), is.minExclusive());
    told.limit("at most %s", Way.DOWN, was.maxInclusive(), is.maxInclusive());
    told.limit("below %s", Way.DOWN, was.maxExclusive(), is.maxExclusive());
    told.limit("at least %s characters", Way.UP, was.minLength(), is.minLength());
    told.limit("at most %s characters", Way.DOWN, was.maxLength(), is.maxLength());
    told.limit("at most %s digits", Way.DOWN, was.totalDigits(), is.totalDigits());
    told.limit("at most %s decimals", Way.DOWN, was.fractionDigits(), is.fractionDigits());
    told.limit("a multiple of %s", Way.ANY, was.multipleOf(), is.multipleOf());
    told.limit("of the form %s", Way.ANY, pattern(was), pattern(is));
    return told.before.isEmpty() && told.after.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new LimitChange(
                told.narrower, String.join(", ", told.before), String.join(", ", told.after)));
  }

  private static Optional<String> pattern(Facets facets) {
    return facets.patterns().isEmpty()
        ? Optional.empty()
        : Optional.of(String.join(" and ", facets.patterns()));
  }
}
