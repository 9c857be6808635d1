package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Takes an input, column or field off the page; a parameter that it filled is left out. */
public record RemoveItem(PageId page, PartId item) implements AppEdit {

  @Override
  public String title() {
    return "Remove a field";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    editing.item(known, item);
    return editing.app().with(Removal.item(known, item));
  }
}
