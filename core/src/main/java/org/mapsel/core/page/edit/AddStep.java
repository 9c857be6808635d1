package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.ReactionId;

/**
 * Adds a step at the end of a reaction.
 *
 * @param failure whether it is one for failures
 */
public record AddStep(PageId page, ReactionId reaction, boolean failure, Action action)
    implements AppEdit {

  private static final int MOST_STEPS = 50;

  @Override
  public String title() {
    return "Add a step";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Reaction before = StepCheck.reaction(editing, known, reaction);
    StepCheck.refuseUnknown(editing, known, action);
    List<Reaction.Step> steps = new ArrayList<>(before.steps());
    List<Reaction.Step> failing = new ArrayList<>(before.failure());
    if (steps.size() + failing.size() >= MOST_STEPS) {
      throw new EditRefused(Finding.error("APP_STEPS_MANY", "limit", String.valueOf(MOST_STEPS)));
    }
    (failure ? failing : steps).add(StepCheck.step(editing, action));
    return editing.app().with(known.with(before.with(steps, failing)));
  }
}
