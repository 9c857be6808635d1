package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;

/** Moves the app to another edition of a service that it uses. */
public record MoveToEdition(String service, String edition) implements AppEdit {

  @Override
  public String title() {
    return "Move to another edition of " + service;
  }

  @Override
  public App apply(Editing editing) {
    if (editing.app().edition(service).isEmpty() || editing.services().find(edition).isEmpty()) {
      throw new EditRefused(Finding.error("APP_SERVICE_MISSING", "service", service));
    }
    return editing.app().using(new App.ServiceUse(service, edition));
  }
}
