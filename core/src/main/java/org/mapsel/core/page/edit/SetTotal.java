package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says what stands under a column of all its rows; nothing takes that away. */
public record SetTotal(PageId page, PartId column, Optional<Shown.Total> total) implements AppEdit {

  @Override
  public String title() {
    return "Change what stands under a column";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Page.Inside inside = editing.item(known, column);
    if (!(inside.item() instanceof Shown shown) || !(inside.part() instanceof Part.OverRows)) {
      throw new EditRefused(Finding.error("APP_ITEM_MISSING", "item", column.text()));
    }
    return editing.app().with(known.with(inside.part(), shown.withTotal(total)));
  }
}
