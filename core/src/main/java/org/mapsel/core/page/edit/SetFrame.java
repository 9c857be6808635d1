package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says how a part stands on the page. */
public record SetFrame(PageId page, PartId part, Frame frame) implements AppEdit {

  @Override
  public String title() {
    return "Change how a part stands on the page";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Part changed = editing.part(known, part);
    if (frame.whenEmpty().length() > Editing.MAX_NAME) {
      throw new EditRefused(
          Finding.error("APP_NAME_TOO_LONG", "limit", String.valueOf(Editing.MAX_NAME)));
    }
    return editing.app().with(known.with(changed.with(changed.base().with(frame))));
  }
}
