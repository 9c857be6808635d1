package org.mapsel.core.document;

import java.util.Objects;

/**
 * A document as it was given: where it came from and its bytes, which nobody may change.
 *
 * @param address its URL or file name; what it names is found relative to this
 */
public record SourceText(String address, byte[] bytes) {

  public SourceText {
    Objects.requireNonNull(address);
    Objects.requireNonNull(bytes);
  }
}
