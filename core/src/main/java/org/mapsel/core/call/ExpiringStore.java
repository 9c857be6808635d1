package org.mapsel.core.call;

import java.time.Instant;
import java.util.Optional;

/**
 * What was learned of far sides and holds for a while: tokens that they gave, and that they refused
 * something. Safe for several threads.
 */
public interface ExpiringStore {

  /**
   * What is known; nothing once its time is over.
   *
   * @param key may tell secrets, and is not to be kept as it is anywhere but in memory
   */
  Optional<String> find(String key);

  /**
   * Keeps something instead of what was known.
   *
   * @param value a secret
   */
  void put(String key, String value, Instant until);

  void remove(String key);
}
