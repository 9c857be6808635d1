package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Shown;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/**
 * Chooses the fields that the rows inside a row show.
 *
 * @param column where those rows stand
 * @param fields by name, in their order; none lets the model say it again
 */
public record ChooseInside(PageId page, PartId column, List<String> fields) implements AppEdit {

  public ChooseInside {
    fields = fields.stream().distinct().toList();
  }

  @Override
  public String title() {
    return "Choose the fields of rows inside rows";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Page.Inside inside = editing.item(known, column);
    if (!(inside.item() instanceof Shown shown)) {
      throw new EditRefused(Finding.error("APP_ITEM_MISSING", "item", column.text()));
    }
    return editing.app().with(known.with(inside.part(), shown.withInside(fields)));
  }
}
