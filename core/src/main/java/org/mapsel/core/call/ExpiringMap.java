package org.mapsel.core.call;

import java.time.Instant;
import java.time.InstantSource;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** Keeps in the memory of this process what holds for a while. */
public final class ExpiringMap implements ExpiringStore {

  private final InstantSource clock;
  private final Map<String, Entry> entries = new ConcurrentHashMap<>();

  private record Entry(String value, Instant until) {}

  public ExpiringMap(InstantSource clock) {
    this.clock = clock;
  }

  @Override
  public Optional<String> find(String key) {
    return Optional.ofNullable(entries.get(key))
        .filter(entry -> clock.instant().isBefore(entry.until()))
        .map(Entry::value);
  }

  @Override
  public void put(String key, String value, Instant until) {
    Instant now = clock.instant();
    entries.values().removeIf(entry -> !now.isBefore(entry.until()));
    entries.put(key, new Entry(value, until));
  }

  @Override
  public void remove(String key) {
    entries.remove(key);
  }
}
