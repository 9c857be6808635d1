package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.PageId;

/**
 * A set of pages and the editions of services they use.
 *
 * @param services one line a service; an app uses one edition of it
 */
public record App(String name, List<ServiceUse> services, List<Page> pages) {

  /** A service and the edition of it that the app is pinned to. */
  public record ServiceUse(String service, String edition) {}

  public App {
    services = List.copyOf(services);
    pages = List.copyOf(pages);
  }

  public static App named(String name) {
    return new App(name, List.of(), List.of());
  }

  public Optional<Page> find(PageId id) {
    return pages.stream().filter(page -> page.id().equals(id)).findFirst();
  }

  /** The edition of a service that this app uses. */
  public Optional<String> edition(String service) {
    return services.stream()
        .filter(use -> use.service().equals(service))
        .map(ServiceUse::edition)
        .findFirst();
  }

  public App withName(String other) {
    return new App(other, services, pages);
  }

  /** The app with one page put in place of the one with its id, or added at the end. */
  public App with(Page page) {
    List<Page> changed = new ArrayList<>(pages);
    for (int i = 0; i < changed.size(); i++) {
      if (changed.get(i).id().equals(page.id())) {
        changed.set(i, page);
        return new App(name, services, changed);
      }
    }
    changed.add(page);
    return new App(name, services, changed);
  }

  public App without(PageId page) {
    return new App(
        name, services, pages.stream().filter(known -> !known.id().equals(page)).toList());
  }

  /** The app using an edition, unless it uses the service already. */
  public App using(ServiceUse use) {
    if (edition(use.service()).isPresent()) {
      return this;
    }
    List<ServiceUse> more = new ArrayList<>(services);
    more.add(use);
    return new App(name, more, pages);
  }
}
