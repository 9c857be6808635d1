package org.mapsel.core.message;

import java.time.Instant;

/**
 * What makes one message different from all others; handed in, so that building it stays pure.
 *
 * @param id unique, for instance a UUID
 * @param nonce random bytes
 */
public record Stamp(Instant now, String id, byte[] nonce) {

  public Stamp {
    nonce = nonce.clone();
  }

  @Override
  public byte[] nonce() {
    return nonce.clone();
  }
}
