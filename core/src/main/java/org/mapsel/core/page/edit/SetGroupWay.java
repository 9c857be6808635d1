package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says how a group holds what is in it. */
public record SetGroupWay(PageId page, PartId part, Part.Group.Way way) implements AppEdit {

  @Override
  public String title() {
    return "Change how a group stands";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    if (editing.part(known, part) instanceof Part.Group group) {
      return editing.app().with(known.with(group.with(way)));
    }
    throw new EditRefused(
        Finding.error("APP_PART_MISSING", "part", part.text(), "page", known.name()));
  }
}
