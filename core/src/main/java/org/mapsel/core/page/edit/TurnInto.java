package org.mapsel.core.page.edit;

import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.kind.PartKinds;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Shows the same rows in another way: what they are filled from stays as it is. */
public record TurnInto(PageId page, PartId part, Way way) implements AppEdit {

  /** How rows are shown. */
  public enum Way {
    TABLE,
    CARDS,
    CHART
  }

  @Override
  public String title() {
    return switch (way) {
      case TABLE -> "Show rows as a table";
      case CARDS -> "Show rows as a list";
      case CHART -> "Draw rows as a chart";
    };
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Part before = editing.part(known, part);
    if (!(before instanceof Part.OverRows rows)) {
      throw new EditRefused(Finding.error("APP_PART_NO_ROWS", "kind", PartKinds.name(before)));
    }
    Part after =
        switch (way) {
          case TABLE -> new Part.Table(rows.base(), rows.items());
          case CARDS -> new Part.Cards(rows.base(), rows.items());
          case CHART -> new Part.Chart(rows.base(), rows.items(), Part.Chart.Drawing.LINE);
        };
    return editing.app().with(known.with(after));
  }
}
