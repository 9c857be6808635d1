package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Takes a part off the page, with what was filled from it and the reactions to it. */
public record RemovePart(PageId page, PartId part) implements AppEdit {

  @Override
  public String title() {
    return "Remove a part";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    return editing.app().with(Removal.part(known, editing.part(known, part).id()));
  }
}
