package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.model.Labels;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;

/**
 * Adds a page that starts from an operation.
 *
 * @param edition the edition to use if the app does not use the service yet
 * @param fields the returned fields to show; none picks some
 */
public record AddPage(
    String service,
    String edition,
    OperationId operation,
    EndpointId endpoint,
    List<FieldPath> fields)
    implements AppEdit {

  public AddPage {
    fields = List.copyOf(fields);
  }

  @Override
  public String title() {
    return "Make a page from " + operation;
  }

  @Override
  public App apply(Editing editing) {
    PageId id = new PageId(editing.ids().next("page"));
    AddCall call = new AddCall(id, service, edition, operation, endpoint, fields);
    App using = call.using(editing.app());
    Pinned pinned = editing.after(using).pinned(service, operation);
    String name = freeName(using, Labels.of(pinned.operation().name()));
    App started = using.with(Page.empty(id, name));
    return call.apply(editing.after(started));
  }

  static String freeName(App app, String wish) {
    String name = wish;
    for (int i = 2; isTaken(app, name); i++) {
      name = wish + " " + i;
    }
    return name;
  }

  private static boolean isTaken(App app, String name) {
    return app.pages().stream().anyMatch(page -> page.name().equals(name));
  }
}
