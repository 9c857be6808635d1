package org.mapsel.core.page.edit;

import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says how values are put into an input; nothing lets the type decide. */
public record SetInputKind(PageId page, PartId input, Optional<Input.Kind> way) implements AppEdit {

  @Override
  public String title() {
    return "Change how a value is put in";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Page.Inside inside = editing.item(known, input);
    if (!(inside.item() instanceof Input asked)) {
      throw new EditRefused(Finding.error("APP_ITEM_MISSING", "item", input.text()));
    }
    return editing.app().with(known.with(inside.part(), asked.withKind(way)));
  }
}
