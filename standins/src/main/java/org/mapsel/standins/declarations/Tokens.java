package org.mapsel.standins.declarations;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** The tokens that were given and are still good. */
@Component
class Tokens {

  static final String PATH = "/declarations/token";
  static final Duration LIFE = Duration.ofMinutes(10);

  private static final int MOST = 1_000;

  private final Map<String, Instant> until =
      new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Instant> eldest) {
          return size() > MOST;
        }
      };

  synchronized String give() {
    String token = UUID.randomUUID().toString();
    until.put(token, Instant.now().plus(LIFE));
    return token;
  }

  synchronized boolean isGood(String token) {
    Instant end = until.get(token);
    return end != null && Instant.now().isBefore(end);
  }
}
