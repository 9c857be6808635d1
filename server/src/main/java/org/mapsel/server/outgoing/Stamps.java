package org.mapsel.server.outgoing;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.UUID;
import java.util.function.Supplier;
import org.mapsel.core.message.Stamp;
import org.springframework.stereotype.Component;

/** Makes what tells one message from all others. */
@Component
public class Stamps implements Supplier<Stamp> {

  private static final int NONCE_BYTES = 16;

  private final SecureRandom random = new SecureRandom();
  private final Clock clock;

  Stamps(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Stamp get() {
    byte[] nonce = new byte[NONCE_BYTES];
    random.nextBytes(nonce);
    return new Stamp(clock.instant(), UUID.randomUUID().toString(), nonce);
  }
}
