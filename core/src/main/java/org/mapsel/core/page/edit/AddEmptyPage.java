package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;

/** Adds a page with nothing on it. */
public record AddEmptyPage(String name) implements AppEdit {

  @Override
  public String title() {
    return "Add the page " + name;
  }

  @Override
  public App apply(Editing editing) {
    PageId id = new PageId(editing.ids().next("page"));
    String free = AddPage.freeName(editing.app(), Editing.name(name));
    return editing.app().with(Page.empty(id, free));
  }
}
