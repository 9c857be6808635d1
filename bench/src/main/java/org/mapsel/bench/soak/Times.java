package org.mapsel.bench.soak;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** How long answers took. Safe for several threads. */
final class Times {

  private final List<Long> nanos = new ArrayList<>();

  synchronized void add(long took) {
    nanos.add(took);
  }

  synchronized int count() {
    return nanos.size();
  }

  /** In milliseconds; 0 if there is none. */
  synchronized double at(double share) {
    long[] sorted = nanos.stream().mapToLong(Long::longValue).sorted().toArray();
    return sorted.length == 0 ? 0 : sorted[(int) (share * (sorted.length - 1))] / 1e6;
  }

  @Override
  public String toString() {
    return String.format(
        Locale.ROOT,
        "%d answers, median %.1f ms, p95 %.1f ms, worst %.0f ms",
        count(),
        at(0.5),
        at(0.95),
        at(1));
  }
}
