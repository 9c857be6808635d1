package org.mapsel.server.entry;

import io.github.bucket4j.Bucket;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Base64;
import java.util.Optional;
import org.apache.commons.codec.digest.DigestUtils;
import org.mapsel.server.web.Problem;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.stereotype.Component;

/**
 * Who may come in. Without a password everybody at this machine builds; with one, builders sign in
 * and everybody else is a visitor of what was released.
 */
@Component
public class Entry {

  /** What somebody may do who signed in, or everybody where there is no password. */
  static final String BUILDER = "ROLE_BUILDER";

  static final Duration STAYS = Duration.ofDays(7);

  /** What bcrypt looks at. */
  private static final int LONGEST = 72;

  private static final int SHORTEST = 8;
  private static final int TOKEN_BYTES = 32;

  private final EntryStore store;
  private final Clock clock;
  private final BCryptPasswordEncoder encoder = new BCryptPasswordEncoder();
  private final SecureRandom random = new SecureRandom();
  private final Bucket attempts =
      Bucket.builder()
          .addLimit(limit -> limit.capacity(10).refillGreedy(10, Duration.ofMinutes(1)))
          .build();

  /**
   * @param password one to set from now on, {@code -} to take it away, empty to leave it as it is
   */
  Entry(EntryStore store, Clock clock, @Value("${mapsel.password:}") String password) {
    this.store = store;
    this.clock = clock;
    if (password.equals("-")) {
      store.withoutPassword();
    } else if (!password.isEmpty()) {
      store.password(hash(password));
    }
  }

  private String hash(String password) {
    int bytes = password.getBytes(StandardCharsets.UTF_8).length;
    if (password.length() < SHORTEST || bytes > LONGEST) {
      throw new IllegalStateException(
          "The password needs at least %d characters and at most %d bytes."
              .formatted(SHORTEST, LONGEST));
    }
    return encoder.encode(password);
  }

  /** Whether there is a password. */
  public boolean isGuarded() {
    return store.password().isPresent();
  }

  /** Whether whoever makes the present request may build. */
  public boolean mayBuild() {
    return Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication()).stream()
        .flatMap(known -> known.getAuthorities().stream())
        .anyMatch(authority -> BUILDER.equals(authority.getAuthority()));
  }

  /** Refuses what only builders may do. */
  public void requireBuilder() {
    if (!mayBuild()) {
      throw Problem.unknown("SERVER_SIGN_IN_NEEDED");
    }
  }

  /** Something for the browser to keep, by which it is known for a while. */
  String signIn(String password) {
    if (!attempts.tryConsume(1)) {
      throw Problem.tooMany("SERVER_SIGN_IN_OFTEN");
    }
    if (store.password().filter(hash -> encoder.matches(password, hash)).isEmpty()) {
      throw Problem.unknown("SERVER_PASSWORD_WRONG");
    }
    byte[] bytes = new byte[TOKEN_BYTES];
    random.nextBytes(bytes);
    String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    OffsetDateTime now = OffsetDateTime.now(clock);
    store.signIn(digest(token), now, now.plus(STAYS));
    return token;
  }

  boolean isSignedIn(String token) {
    return store.isSignedIn(digest(token), OffsetDateTime.now(clock));
  }

  void signOut(String token) {
    store.signOut(digest(token));
  }

  private static String digest(String token) {
    return DigestUtils.sha256Hex(token);
  }
}
