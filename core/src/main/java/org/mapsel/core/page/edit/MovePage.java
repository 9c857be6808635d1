package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;

/** Moves a page among the others, by so many places. */
public record MovePage(PageId page, int by) implements AppEdit {

  @Override
  public String title() {
    return "Move a page";
  }

  @Override
  public App apply(Editing editing) {
    Page moved = editing.page(page);
    return editing.app().withPages(Order.moved(editing.app().pages(), moved, by));
  }
}
