package org.mapsel.core.message;

import java.util.List;

/** A request ready to be sent. */
public record Request(String method, String address, List<Header> headers, byte[] body) {

  public Request {
    headers = List.copyOf(headers);
  }
}
