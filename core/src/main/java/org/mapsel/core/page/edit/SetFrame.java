package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Frame;
import org.mapsel.core.page.Nesting;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.kind.PartKinds;
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
    if (frame.words().all().stream().anyMatch(words -> words.length() > Editing.MAX_NAME)) {
      throw new EditRefused(
          Finding.error("APP_NAME_TOO_LONG", "limit", String.valueOf(Editing.MAX_NAME)));
    }
    frame
        .within()
        .ifPresent(around -> refuseMisplaced(known, changed, editing.part(known, around)));
    return editing.app().with(known.with(changed.with(changed.base().with(frame))));
  }

  private static void refuseMisplaced(Page page, Part part, Part around) {
    if (!Nesting.fits(page, part, around)) {
      throw new EditRefused(
          Finding.error(
              "APP_PART_MISPLACED",
              "part",
              PartKinds.name(part),
              "around",
              PartKinds.name(around)));
    }
  }
}
