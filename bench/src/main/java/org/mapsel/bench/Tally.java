package org.mapsel.bench;

import java.util.Map;
import java.util.TreeMap;

/** Counts what was found, by what it is. */
final class Tally {

  private final Map<String, Integer> counts = new TreeMap<>();

  void count(String name) {
    counts.merge(name, 1, Integer::sum);
  }

  /** A line for each, in the order of their names. */
  void print() {
    counts.forEach((name, count) -> System.out.printf("%7d %s%n", count, name));
  }
}
