package org.mapsel.core.page.edit;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.start.ListStarter;
import org.mapsel.core.page.start.PageStarter;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;

/**
 * Adds the pages of a small application over an operation that answers a list.
 *
 * @param edition the edition to use if the app does not use the service yet
 * @param fields the returned fields to show in the list; none picks some
 * @param edits whether pages to change, make and remove one are wanted, as far as the service can
 */
public record AddPages(
    String service,
    String edition,
    OperationId operation,
    EndpointId endpoint,
    List<FieldPath> fields,
    boolean edits)
    implements AppEdit {

  public AddPages {
    fields = List.copyOf(fields);
  }

  @Override
  public String title() {
    return "Make pages from " + operation;
  }

  @Override
  public App apply(Editing editing) {
    App using =
        editing.app().edition(service).isPresent()
            ? editing.app()
            : editing.app().using(new App.ServiceUse(service, edition));
    Pinned pinned = editing.after(using).pinned(service, operation);
    if (pinned.operation().wire(endpoint).isEmpty()) {
      throw new EditRefused(
          Finding.error(
              "CALL_ENDPOINT_MISSING",
              "operation",
              pinned.operation().name(),
              "endpoint",
              endpoint.text()));
    }
    PageStarter starter = new PageStarter(using.model(), editing.ids());
    ListStarter list =
        ListStarter.of(starter, editing.ids(), service, pinned, endpoint)
            .orElseThrow(
                () ->
                    new EditRefused(
                        Finding.error("APP_NO_LIST", "operation", pinned.operation().name())));
    Set<String> given = new HashSet<>();
    App app = using;
    for (Page page : list.pages(fields, edits, wish -> free(using, given, wish))) {
      app = app.with(page);
    }
    for (Page page : app.pages()) {
      app = TypesInUse.of(app, page, editing.after(app));
    }
    return app;
  }

  private static String free(App app, Set<String> given, String wish) {
    String name = AddPage.freeName(app, wish);
    for (int i = 2; !given.add(name); i++) {
      name = AddPage.freeName(app, wish + " " + i);
    }
    return name;
  }
}
