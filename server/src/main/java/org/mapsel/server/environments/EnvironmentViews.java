package org.mapsel.server.environments;

import java.util.List;
import java.util.Map;

/** What the API says about environments. */
final class EnvironmentViews {

  private EnvironmentViews() {}

  /**
   * The environments of a service.
   *
   * @param building the one that builders call; empty for the addresses of the description
   */
  record EnvironmentsView(String building, List<EnvironmentView> environments) {}

  /**
   * One of them.
   *
   * @param addresses by endpoint, those that are not as described
   * @param usedBy the releases that call the service there
   */
  record EnvironmentView(String name, Map<String, String> addresses, List<String> usedBy) {}

  /** The addresses of an environment by endpoint; those that are left out are as described. */
  record EnvironmentAddresses(Map<String, String> addresses) {
    EnvironmentAddresses {
      addresses = Map.copyOf(addresses);
    }
  }

  /** The environment that builders are to call; empty for the addresses of the description. */
  record BuildingEnvironment(String name) {}
}
