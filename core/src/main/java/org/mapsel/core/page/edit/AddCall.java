package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.start.PageStarter;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;

/**
 * Adds an operation, perhaps of another service, below what is on a page.
 *
 * @param edition the edition to use if the app does not use the service yet
 * @param fields the returned fields to show; none picks some
 */
public record AddCall(
    PageId page,
    String service,
    String edition,
    OperationId operation,
    EndpointId endpoint,
    List<FieldPath> fields)
    implements AppEdit {

  public AddCall {
    fields = List.copyOf(fields);
  }

  @Override
  public String title() {
    return "Add " + operation + " to a page";
  }

  /** The app pinned to the edition, unless it is pinned to one already. */
  App using(App app) {
    return app.edition(service).isPresent() ? app : app.using(new App.ServiceUse(service, edition));
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    App using = using(editing.app());
    Editing here = editing.after(using);
    Pinned pinned = here.callable(service, operation, endpoint);
    refuseUnknown(here, pinned);
    Page extended =
        new PageStarter(using.model(), editing.ids())
            .extend(known, service, pinned, endpoint, fields);
    return TypesInUse.of(using.with(extended), extended, editing);
  }

  /** A field that only another edition has is told of, not dropped. */
  private void refuseUnknown(Editing editing, Pinned pinned) {
    for (FieldPath field : fields) {
      if (pinned.service().shapes().way(pinned.operation().output(), field).isEmpty()) {
        throw new EditRefused(UseField.missing(editing, service, pinned, field));
      }
    }
  }
}
