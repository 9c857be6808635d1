package org.mapsel.core.service;

import org.mapsel.core.document.AddressSecrets;
import org.mapsel.core.ref.EndpointId;

/**
 * One address with one protocol.
 *
 * @param address without the users, passwords and keys that some descriptions write into it: who
 *     calls is said by the access, and addresses are seen by everybody
 */
public record Endpoint(EndpointId id, Protocol protocol, String address) {

  public Endpoint {
    address = AddressSecrets.without(address);
  }
}
