package org.mapsel.bench;

import java.util.Set;
import org.mapsel.core.ref.FieldPath;

/** What an answer of many rows holds on to once it is read: all fields, or only those wanted. */
final class AnswerMemory {

  private static final int ROUNDS = 5;

  private AnswerMemory() {}

  static void print() {
    AnswerBench bench = new AnswerBench();
    bench.make();
    long all = held(bench, Set.of());
    long five = held(bench, AnswerBench.FIVE);
    System.out.printf(
        "MEMORY all kept %.1f MB, five kept %.1f MB: %.3f times%n",
        all / 1e6, five / 1e6, (double) five / all);
  }

  /** The least of several readings, since a collection may come late. */
  private static long held(AnswerBench bench, Set<FieldPath> wanted) {
    long least = Long.MAX_VALUE;
    for (int i = 0; i < ROUNDS; i++) {
      long before = used();
      Object kept = bench.read(wanted).get();
      long after = used();
      if (kept != null) {
        least = Math.min(least, after - before);
      }
    }
    return least;
  }

  private static long used() {
    for (int i = 0; i < 3; i++) {
      System.gc();
    }
    return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
  }
}
