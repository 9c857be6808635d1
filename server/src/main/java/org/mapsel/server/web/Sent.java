package org.mapsel.server.web;

import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/**
 * Whether something left for a service, while a request was answered, that may have changed
 * something there. Nobody is advised to try again then, whatever breaks afterwards.
 */
public final class Sent {

  private static final String NAME = Sent.class.getName();

  private Sent() {}

  /**
   * What remembers it, from whatever thread, until the request that is being answered here is; what
   * runs by itself answers none.
   */
  public static Runnable marker() {
    RequestAttributes request = RequestContextHolder.getRequestAttributes();
    return () -> {
      if (request != null) {
        request.setAttribute(NAME, true, RequestAttributes.SCOPE_REQUEST);
      }
    };
  }

  static boolean isMarked() {
    RequestAttributes request = RequestContextHolder.getRequestAttributes();
    return request != null && request.getAttribute(NAME, RequestAttributes.SCOPE_REQUEST) != null;
  }
}
