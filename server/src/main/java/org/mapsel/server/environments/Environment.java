package org.mapsel.server.environments;

import java.util.Map;
import org.mapsel.core.ref.EndpointId;

/**
 * Where a service is called.
 *
 * @param name as people call it, such as test or live; empty for the addresses of the description
 * @param addresses those of the endpoints that are somewhere else than described
 */
public record Environment(String name, Map<EndpointId, String> addresses) {

  /** Where the description says. */
  public static final Environment DESCRIBED = new Environment("", Map.of());

  public Environment {
    addresses = Map.copyOf(addresses);
  }
}
