package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;

/** Makes another page like one, under ids of its own. */
public record CopyPage(PageId page) implements AppEdit {

  @Override
  public String title() {
    return "Copy a page";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    String name = AddPage.freeName(editing.app(), known.name());
    Page copy = new PageCopy(editing.ids()).of(known, name);
    List<Page> pages = new ArrayList<>(editing.app().pages());
    pages.add(pages.indexOf(known) + 1, copy);
    return editing.app().withPages(pages);
  }
}
