package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Adds a group below what is on the page; parts are put into it by their frames. */
public record AddGroup(PageId page, String words) implements AppEdit {

  @Override
  public String title() {
    return "Add the group " + words;
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    PartId id = new PartId(editing.ids().next("group"));
    return editing.app().with(known.with(Part.Group.of(id, Editing.name(words))));
  }
}
