package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;

/** Removes a page. */
public record RemovePage(PageId page) implements AppEdit {

  @Override
  public String title() {
    return "Remove a page";
  }

  @Override
  public App apply(Editing editing) {
    Page gone = editing.page(page);
    return editing
        .app()
        .with(editing.app().start().without(page))
        .withPages(editing.app().pages().stream().filter(known -> known != gone).toList());
  }
}
