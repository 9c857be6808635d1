package org.mapsel.server.environments;

import java.util.List;

/** Knows who calls a service in an environment; answered by those who do. */
public interface EnvironmentUsers {

  /** The releases that call a service there, as people call them. */
  List<String> releasesUsing(String service, String environment);
}
