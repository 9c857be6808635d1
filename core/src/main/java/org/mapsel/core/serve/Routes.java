package org.mapsel.core.serve;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.service.Address;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;

/** The operations at one endpoint that are told apart by method and path. */
final class Routes {

  /** An operation, how it is asked for, and the values in the path that asked. */
  record Found(Operation operation, OperationWire wire, Map<String, String> values) {}

  private record Route(
      String method, PathPattern pattern, Operation operation, OperationWire wire) {}

  private final List<Route> routes = new ArrayList<>();

  /** More exact paths are tried first. */
  Routes(Service service, EndpointId endpoint) {
    for (Operation operation : service.operations()) {
      operation
          .wire(endpoint)
          .ifPresent(
              wire ->
                  Address.of(wire)
                      .ifPresent(
                          address ->
                              routes.add(
                                  new Route(
                                      address.method(),
                                      PathPattern.of(address.path().replaceFirst("\\?.*", "")),
                                      operation,
                                      wire))));
    }
    routes.sort(Comparator.comparingInt((Route route) -> route.pattern().literals()).reversed());
  }

  /**
   * The operation for a method and a path.
   *
   * @throws Refusal if the path is known, but not with this method
   */
  Optional<Found> find(String method, String path) {
    boolean known = false;
    for (Route route : routes) {
      Optional<Map<String, String>> values = route.pattern().match(path);
      if (values.isPresent() && isFor(route.method(), method)) {
        return Optional.of(new Found(route.operation(), route.wire(), values.get()));
      }
      known |= values.isPresent();
    }
    if (known) {
      throw new Refusal(405, "This path is not asked with " + method + ".");
    }
    return Optional.empty();
  }

  private static boolean isFor(String offered, String method) {
    return offered.equals(method)
        || offered.equals("MERGE") && method.equals("PATCH")
        || offered.equals("PATCH") && method.equals("MERGE");
  }
}
