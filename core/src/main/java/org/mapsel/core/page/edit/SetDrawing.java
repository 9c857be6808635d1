package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says what a chart draws. */
public record SetDrawing(PageId page, PartId part, Part.Chart.Drawing drawing) implements AppEdit {

  @Override
  public String title() {
    return "Change what a chart draws";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    if (editing.part(known, part) instanceof Part.Chart chart) {
      return editing.app().with(known.with(chart.with(drawing)));
    }
    throw new EditRefused(
        Finding.error("APP_PART_MISSING", "part", part.text(), "page", known.name()));
  }
}
