package org.mapsel.core.call;

import org.mapsel.core.message.Request;

/**
 * Is told of every request that may change something, before it leaves: whoever ends in between
 * knows then that it was sent.
 */
@FunctionalInterface
public interface Journal {

  /** For callers who keep nothing. */
  Journal NONE = (question, shown) -> {};

  /**
   * @param shown the request with every secret hidden
   */
  void sending(Question question, Request shown);
}
