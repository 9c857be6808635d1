package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.kind.PartKinds;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;

/**
 * Shows something in a part that is there, as its last column or field.
 *
 * @param source as it is reached from inside the part
 */
public record ShowField(PageId page, PartId part, Source source) implements AppEdit {

  @Override
  public String title() {
    return "Show a field in a part";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Part around = editing.part(known, part);
    if (!around.showsFields()) {
      throw new EditRefused(Finding.error("APP_PART_NO_FIELDS", "kind", PartKinds.name(around)));
    }
    Shown item = Shown.of(new PartId(editing.ids().next(wish())), source);
    List<Item> items = new ArrayList<>(around.items());
    items.add(item);
    Page changed = known.with(around.withItems(items));
    SlotId slot = new SlotId.OfPart(page, item.id(), Shown.VALUE);
    SlotCheck.refuseMisfit(editing.after(editing.app().with(changed)), changed, slot);
    return TypesInUse.of(editing.app().with(changed), changed, editing);
  }

  private String wish() {
    return switch (source) {
      case Source.Row row -> row.path().isRoot() ? "row" : row.path().last();
      case Source.Returned returned -> returned.path().isRoot() ? "all" : returned.path().last();
      case Source.Chosen chosen -> chosen.path().isRoot() ? "chosen" : chosen.path().last();
      case Source.Derived derived -> derived.field();
      case Source.Formula formula -> "formula";
      default -> "field";
    };
  }
}
