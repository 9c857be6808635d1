package org.mapsel.server.apps;

import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.server.services.ServiceUsers;
import org.springframework.stereotype.Component;

/** Knows which apps need a service: as a draft, or as visitors see them. */
@Component
class ServiceUse implements ServiceUsers {

  private final AppStore apps;
  private final ReleaseStore releases;

  ServiceUse(AppStore apps, ReleaseStore releases) {
    this.apps = apps;
    this.releases = releases;
  }

  @Override
  public List<String> appsUsing(String service) {
    return apps.all().stream()
        .filter(kept -> uses(kept.app(), service) || uses(released(kept), service))
        .map(kept -> kept.app().name())
        .toList();
  }

  private App released(StoredApp kept) {
    return releases
        .current(kept.id())
        .flatMap(number -> releases.find(kept.id(), number))
        .map(ReleaseStore.Released::app)
        .orElse(kept.app());
  }

  private static boolean uses(App app, String service) {
    return app.pages().stream()
        .flatMap(page -> page.calls().stream())
        .anyMatch(call -> call.service().equals(service));
  }
}
