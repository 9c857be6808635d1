package org.mapsel.core.formula;

import java.lang.ref.SoftReference;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.shape.ValueType;

/**
 * Formulas that were understood lately: the same ones are asked for whenever a page is planned or
 * checked. Where memory is wanted for something else all are given up. Safe for several threads.
 */
final class RecentFormulas {

  private static final int MOST = 1_000;

  /** What decides what a formula comes to; shapes are told apart by being the very same. */
  record Asked(String text, Map<String, ValueType> variables) {
    Asked {
      variables = Map.copyOf(variables);
    }
  }

  private SoftReference<Map<Asked, Outcome<Formula>>> known = new SoftReference<>(null);

  /** What is known of a formula, or else what a maker comes to. */
  Outcome<Formula> get(Asked asked, Supplier<Outcome<Formula>> maker) {
    @Nullable Outcome<Formula> found = find(asked);
    if (found == null) {
      found = maker.get();
      put(asked, found);
    }
    return found;
  }

  private synchronized @Nullable Outcome<Formula> find(Asked asked) {
    Map<Asked, Outcome<Formula>> all = known.get();
    return all == null ? null : all.get(asked);
  }

  private synchronized void put(Asked asked, Outcome<Formula> formula) {
    Map<Asked, Outcome<Formula>> all = known.get();
    if (all == null) {
      all =
          new LinkedHashMap<>(64, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<Asked, Outcome<Formula>> eldest) {
              return size() > MOST;
            }
          };
      known = new SoftReference<>(all);
    }
    all.put(asked, formula);
  }
}
