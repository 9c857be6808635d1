package org.mapsel.core.call;

import java.net.URI;
import java.util.Optional;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Request;

/** Asks for the next part of a list as for the first one, at another address. */
final class Parts {

  private Parts() {}

  /** Nothing if the address leads to another server, which must not see what this one is told. */
  static Optional<Request> request(Request first, String next, Access access) {
    try {
      URI start = URI.create(first.address());
      URI there = start.resolve(next.replace(" ", "%20"));
      boolean same =
          String.valueOf(start.getAuthority()).equals(String.valueOf(there.getAuthority()))
              && String.valueOf(start.getScheme()).equals(there.getScheme());
      return same
          ? Optional.of(
              new Request(
                  first.method(), withKey(there.toString(), access), first.headers(), new byte[0]))
          : Optional.empty();
    } catch (IllegalArgumentException e) {
      // What is no address leads nowhere.
      return Optional.empty();
    }
  }

  /** Some services repeat the key that stood in the address, others leave it out. */
  private static String withKey(String address, Access access) {
    return AccessHeaders.shown(address, access).equals(address)
        ? AccessHeaders.address(address, access)
        : address;
  }
}
