package org.mapsel.bench;

import java.util.Arrays;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.FieldPath;

/** What an answer of many rows holds on to once it is read: all fields, or only those wanted. */
final class AnswerMemory {

  private static final int ROUNDS = 5;

  /** What is being measured; a local variable may be let go of before its end. */
  private static @Nullable Object kept;

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

  /** The middle one of several readings: what was there before may go during the first ones. */
  private static long held(AnswerBench bench, Set<FieldPath> wanted) {
    long[] readings = new long[ROUNDS];
    for (int i = 0; i < ROUNDS; i++) {
      kept = null;
      long before = used();
      kept = bench.read(wanted).get();
      readings[i] = used() - before;
    }
    kept = null;
    Arrays.sort(readings);
    return readings[ROUNDS / 2];
  }

  private static long used() {
    for (int i = 0; i < 3; i++) {
      System.gc();
    }
    return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
  }
}
