package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Outcome;
import org.mapsel.core.page.App;
import org.mapsel.core.page.ServiceLookup;

/** Applies edits to apps. */
public final class AppEditor {

  private final ServiceLookup services;

  public AppEditor(ServiceLookup services) {
    this.services = services;
  }

  /** The app after the edit, or why it cannot be made. */
  public Outcome<App> apply(App app, AppEdit edit) {
    try {
      Editing editing = new Editing(app, services);
      App changed = edit.apply(editing);
      return Outcome.of(changed.withoutIdleServices().issued(editing.issued()));
    } catch (EditRefused refused) {
      return Outcome.failed(refused.finding());
    }
  }
}
