package org.mapsel.core.page.edit;

import java.util.List;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Moves a step within its reaction, by so many places. */
public record MoveStep(PageId page, PartId step, int by) implements AppEdit {

  @Override
  public String title() {
    return "Move a step";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Reaction around = StepCheck.reactionOf(known, step);
    Reaction.Step moved = known.step(step).orElseThrow();
    return editing
        .app()
        .with(
            known.with(around.with(moved(around.steps(), moved), moved(around.failure(), moved))));
  }

  private List<Reaction.Step> moved(List<Reaction.Step> steps, Reaction.Step one) {
    return steps.contains(one) ? Order.moved(steps, one, by) : steps;
  }
}
