package org.mapsel.core.page.edit;

import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says what one page alone has different from the model; nothing gives in to the model. */
public record SetOnlyHere(PageId page, PartId item, Overrides only) implements AppEdit {

  @Override
  public String title() {
    return only.saysNothing() ? "Have it as in the model" : "Change a field on this page only";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Page.Inside inside = editing.item(known, item);
    return editing
        .app()
        .with(known.with(inside.part(), inside.item().with(Settled.checked(editing, only))));
  }
}
