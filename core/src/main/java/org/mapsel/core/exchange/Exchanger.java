package org.mapsel.core.exchange;

import org.mapsel.core.message.Access;
import org.mapsel.core.message.Request;

/** Sends requests, within limits of time and size. */
@FunctionalInterface
public interface Exchanger {

  /**
   * Never throws for what the far side does: no connection and no answer are in the exchange.
   *
   * @param access what the connection itself needs: a digest login, certificates
   */
  Exchange send(Request request, Access access);
}
