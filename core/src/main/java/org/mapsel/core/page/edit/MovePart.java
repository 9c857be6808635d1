package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Moves a part up or down by so many places, among those that stand in the same place as it. */
public record MovePart(PageId page, PartId part, int by) implements AppEdit {

  @Override
  public String title() {
    return "Move a part";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Part moved = editing.part(known, part);
    List<Part> beside =
        known.parts().stream()
            .filter(other -> other.frame().within().equals(moved.frame().within()))
            .toList();
    List<Part> ordered = Order.moved(beside, moved, by);
    List<Part> parts = new ArrayList<>();
    int next = 0;
    for (Part other : known.parts()) {
      parts.add(beside.contains(other) ? ordered.get(next++) : other);
    }
    return editing.app().with(known.withParts(parts));
  }
}
