package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;

/** Adds a button below what is on the page; what it does is said by its reaction. */
public record AddButton(PageId page, String words) implements AppEdit {

  @Override
  public String title() {
    return "Add the button " + words;
  }

  @Override
  public App apply(Editing editing) {
    PartId id = new PartId(editing.ids().next("button"));
    Page known = editing.page(page);
    return editing
        .app()
        .with(
            known
                .with(Part.Button.of(id, Editing.name(words)))
                .with(
                    Reaction.of(
                        new ReactionId(editing.ids().next("pressed")),
                        new Trigger.Pressed(id),
                        List.of())));
  }
}
