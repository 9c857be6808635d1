package org.mapsel.core.service;

import org.mapsel.core.ref.EndpointId;

/**
 * One address with one protocol.
 *
 * @param address without the user and password that some descriptions write into it (deprecated by
 *     RFC 3986, section 3.2.1): who calls is said by the access, and addresses are seen by
 *     everybody
 */
public record Endpoint(EndpointId id, Protocol protocol, String address) {

  public Endpoint {
    address = address.replaceFirst("^([A-Za-z][A-Za-z0-9+.-]*://)[^/?#]*@", "$1");
  }
}
