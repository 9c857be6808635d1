package org.mapsel.server.secrets;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Optional;
import org.mapsel.core.call.ExpiringStore;
import org.springframework.stereotype.Component;

/**
 * What was learned of services, for every process on this database and after a start: encrypted,
 * and under keys that nobody can guess secrets by.
 */
@Component
class KnownForAWhile implements ExpiringStore {

  private final KnownForAWhileStore store;
  private final Vault vault;

  KnownForAWhile(KnownForAWhileStore store, Vault vault) {
    this.store = store;
    this.vault = vault;
  }

  @Override
  public Optional<String> find(String key) {
    String hash = vault.hash(key);
    return store
        .find(hash)
        // Locked with a key that is gone, it is not known any more.
        .flatMap(content -> vault.open(content, hash))
        .map(value -> new String(value, StandardCharsets.UTF_8));
  }

  @Override
  public void put(String key, String value, Instant until) {
    String hash = vault.hash(key);
    store.put(hash, vault.lock(value.getBytes(StandardCharsets.UTF_8), hash), until);
  }

  @Override
  public void remove(String key) {
    store.remove(vault.hash(key));
  }
}
