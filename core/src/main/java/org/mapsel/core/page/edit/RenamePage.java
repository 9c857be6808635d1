package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.ref.PageId;

/** Gives a page another name. */
public record RenamePage(PageId page, String name) implements AppEdit {

  @Override
  public String title() {
    return "Rename a page to " + name;
  }

  @Override
  public App apply(Editing editing) {
    return editing.app().with(editing.page(page).withName(Editing.name(name)));
  }
}
