package org.mapsel.server.apps;

import java.util.List;
import org.mapsel.server.environments.EnvironmentUsers;
import org.springframework.stereotype.Component;

/** Knows which releases call a service in an environment. */
@Component
class EnvironmentUse implements EnvironmentUsers {

  private final ReleaseStore releases;

  EnvironmentUse(ReleaseStore releases) {
    this.releases = releases;
  }

  @Override
  public List<String> releasesUsing(String service, String environment) {
    return releases.calling(service, environment).stream()
        .map(release -> release.app() + " " + release.number())
        .toList();
  }
}
