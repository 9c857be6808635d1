package org.mapsel.core.call;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The addresses at which calls that went together were refused: a while long each goes by itself at
 * once, instead of being refused once more. Safe for several threads.
 */
final class BatchRefusals {

  private static final Duration WHILE = Duration.ofMinutes(10);

  private final InstantSource clock;
  private final Map<String, Instant> until = new ConcurrentHashMap<>();

  BatchRefusals(InstantSource clock) {
    this.clock = clock;
  }

  void add(String address) {
    Instant now = clock.instant();
    until.values().removeIf(end -> end.isBefore(now));
    until.put(address, now.plus(WHILE));
  }

  boolean contains(String address) {
    Instant end = until.get(address);
    return end != null && clock.instant().isBefore(end);
  }
}
