package org.mapsel.core.page.edit;

import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.ReactionId;

/** Takes a reaction away. */
public record RemoveReaction(PageId page, ReactionId reaction) implements AppEdit {

  @Override
  public String title() {
    return "Remove a reaction";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Reaction gone = StepCheck.reaction(editing, known, reaction);
    return editing
        .app()
        .with(known.withReactions(known.reactions().stream().filter(one -> one != gone).toList()));
  }
}
