package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.model.Model;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;

/**
 * A set of pages over one model, and the editions of services they use.
 *
 * @param services one line a service; an app uses one edition of it
 * @param start where visitors begin; empty as long as nobody arranged it
 * @param refused pairs that somebody took out and that are not to be offered again
 * @param issued how many ids were given so far; none is given twice, not even one that is free
 *     again
 */
public record App(
    String name,
    List<ServiceUse> services,
    Model model,
    List<Page> pages,
    Folio start,
    List<RefusedPair> refused,
    long issued) {

  /**
   * A parameter and what does not belong to it, whatever it looks like.
   *
   * @param given the name of what holds it on a page, and the way in that
   */
  public record RefusedPair(
      String service, OperationId operation, FieldPath parameter, FieldPath given) {}

  /** A service and the edition of it that the app is pinned to. */
  public record ServiceUse(String service, String edition) {}

  public App {
    services = List.copyOf(services);
    pages = List.copyOf(pages);
    refused = List.copyOf(refused);
  }

  public static App named(String name) {
    return new App(name, List.of(), Model.EMPTY, List.of(), Folio.EMPTY, List.of(), 0);
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
    return new App(other, services, model, pages, start, refused, issued);
  }

  public App with(Model other) {
    return new App(name, services, other, pages, start, refused, issued);
  }

  public App with(Folio other) {
    return new App(name, services, model, pages, other, refused, issued);
  }

  /** The app that offers a pair no more. */
  public App refusing(RefusedPair pair) {
    List<RefusedPair> more = new ArrayList<>(refused);
    if (!more.contains(pair)) {
      more.add(pair);
    }
    return new App(name, services, model, pages, start, more, issued);
  }

  public App withPages(List<Page> other) {
    return new App(name, services, model, other, start, refused, issued);
  }

  /** The app having given more ids; fewer change nothing. */
  public App issued(long count) {
    return count <= issued ? this : new App(name, services, model, pages, start, refused, count);
  }

  /** The app with one page put in place of the one with its id, or added at the end. */
  public App with(Page page) {
    List<Page> changed = new ArrayList<>(pages);
    for (int i = 0; i < changed.size(); i++) {
      if (changed.get(i).id().equals(page.id())) {
        changed.set(i, page);
        return withPages(changed);
      }
    }
    changed.add(page);
    return withPages(changed);
  }

  /** The app using an edition of a service, in place of any other edition of it. */
  public App using(ServiceUse use) {
    List<ServiceUse> more = new ArrayList<>(services);
    more.removeIf(known -> known.service().equals(use.service()));
    more.add(use);
    return new App(name, more, model, pages, start, refused, issued);
  }

  /** The app without the services that none of its pages calls. */
  public App withoutIdleServices() {
    List<ServiceUse> used =
        services.stream()
            .filter(
                use ->
                    pages.stream()
                        .flatMap(page -> page.calls().stream())
                        .anyMatch(call -> call.service().equals(use.service())))
            .toList();
    return new App(name, used, model, pages, start, refused, issued);
  }
}
