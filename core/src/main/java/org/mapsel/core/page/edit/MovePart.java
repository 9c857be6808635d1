package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Moves a part up or down the page, by so many places. */
public record MovePart(PageId page, PartId part, int by) implements AppEdit {

  @Override
  public String title() {
    return "Move a part";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    return editing
        .app()
        .with(known.withParts(Order.moved(known.parts(), editing.part(known, part), by)));
  }
}
