package org.mapsel.core.call;

import java.time.Duration;
import java.time.InstantSource;

/**
 * The addresses at which calls that went together were refused: a while long each goes by itself at
 * once, instead of being refused once more.
 */
final class BatchRefusals {

  private static final Duration WHILE = Duration.ofMinutes(10);

  private final ExpiringStore store;
  private final InstantSource clock;

  BatchRefusals(ExpiringStore store, InstantSource clock) {
    this.store = store;
    this.clock = clock;
  }

  void add(String address) {
    store.put(key(address), "refused", clock.instant().plus(WHILE));
  }

  boolean contains(String address) {
    return store.find(key(address)).isPresent();
  }

  private static String key(String address) {
    return "batch " + address;
  }
}
