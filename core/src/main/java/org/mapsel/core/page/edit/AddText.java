package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Adds words at the top of the page. */
public record AddText(PageId page, String text) implements AppEdit {

  @Override
  public String title() {
    return "Add a text";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    List<Part> parts = new ArrayList<>(known.parts());
    parts.add(0, Part.Text.of(new PartId(editing.ids().next("text")), text.strip()));
    return editing.app().with(known.withParts(parts));
  }
}
