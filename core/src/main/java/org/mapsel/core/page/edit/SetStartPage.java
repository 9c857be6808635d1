package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Folio;
import org.mapsel.core.ref.PageId;

/** Arranges the start page of an app. */
public record SetStartPage(Folio folio) implements AppEdit {

  @Override
  public String title() {
    return "Arrange the start page";
  }

  @Override
  public App apply(Editing editing) {
    FolioRules.problem(folio)
        .ifPresent(
            finding -> {
              throw new EditRefused(finding);
            });
    for (Folio.Entry entry : folio.entries()) {
      if (entry.app().isEmpty()) {
        editing.page(new PageId(entry.page()));
      }
    }
    return editing.app().with(folio);
  }
}
