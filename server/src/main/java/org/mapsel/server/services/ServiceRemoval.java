package org.mapsel.server.services;

import java.util.List;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/** Removes services that nobody uses any more. */
@Component
class ServiceRemoval {

  private final Workspace workspace;
  private final ServiceUsers users;

  ServiceRemoval(Workspace workspace, ServiceUsers users) {
    this.workspace = workspace;
    this.users = users;
  }

  void remove(String service) {
    List<String> apps = users.appsUsing(service);
    if (!apps.isEmpty()) {
      throw Problem.conflict(
          "SERVER_SERVICE_USED",
          "service",
          workspace.nameOf(service),
          "apps",
          String.join(", ", apps));
    }
    workspace.remove(service);
  }
}
