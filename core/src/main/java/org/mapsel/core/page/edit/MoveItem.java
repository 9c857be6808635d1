package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Moves an input, column or field within its part, by so many places. */
public record MoveItem(PageId page, PartId item, int by) implements AppEdit {

  @Override
  public String title() {
    return "Move a field";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Page.Inside inside = editing.item(known, item);
    List<Item> moved = Order.moved(inside.part().items(), inside.item(), by);
    return editing.app().with(known.with(inside.part().withItems(moved)));
  }
}
