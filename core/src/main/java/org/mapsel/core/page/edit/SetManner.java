package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says how a button is meant. */
public record SetManner(PageId page, PartId part, Part.Button.Manner manner) implements AppEdit {

  @Override
  public String title() {
    return "Change how a button is meant";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    if (editing.part(known, part) instanceof Part.Button button) {
      return editing.app().with(known.with(button.with(manner)));
    }
    throw new EditRefused(
        Finding.error("APP_PART_MISSING", "part", part.text(), "page", known.name()));
  }
}
