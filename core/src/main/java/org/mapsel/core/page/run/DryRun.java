package org.mapsel.core.page.run;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.value.RecordValue;

/**
 * What reactions would do with the samples that a page is filled with. Nothing is sent and nothing
 * is kept: calls are answered by their samples.
 */
public final class DryRun {

  /** A page that goes round in a circle is followed so far. */
  private static final int MOST_EVENTS = 20;

  private final PageRunner runner;
  private final PageState sampled;

  /**
   * @param sampled the page as its samples fill it
   * @param formats how values in messages are written
   */
  public DryRun(PagePlan plan, PageState sampled, Formats formats, Instant now) {
    this.runner = new PageRunner(plan, formats, now);
    this.sampled = sampled;
  }

  /** What a reaction would do, in its order; nothing if its condition does not hold. */
  public List<Happening> of(Reaction reaction) {
    List<Happening> happenings = new ArrayList<>();
    Deque<PageEvent> events = new ArrayDeque<>();
    PageRunner.Stepped stepped = runner.begin(sampled.withoutMessages(), reaction);
    for (int i = 0; i < MOST_EVENTS; i++) {
      happenings.addAll(stepped.happenings());
      stepped.effects().forEach(effect -> answered(effect, events));
      PageState state = stepped.state().withoutMessages();
      if (!events.isEmpty()) {
        stepped = runner.step(state, events.poll());
      } else if (state.asking().isPresent()) {
        stepped = runner.step(state, new PageEvent.Replied(true));
      } else {
        break;
      }
    }
    // When it happens is told in its sentence.
    happenings.removeIf(
        one ->
            one instanceof Happening.Begins
                || one instanceof Happening.HoldsNot
                || one instanceof Happening.Lacks);
    return happenings;
  }

  private void answered(PageEffect effect, Deque<PageEvent> events) {
    if (!(effect instanceof PageEffect.RunCall run)) {
      return;
    }
    if (sampled.answers().get(run.call()) instanceof PageState.Answer.Failed failed) {
      events.add(new PageEvent.CallFailed(run, failed.reason()));
      return;
    }
    RecordValue answer =
        sampled.returned(run.call()) instanceof RecordValue record ? record : RecordValue.empty();
    events.add(new PageEvent.Answered(run, answer, ""));
  }
}
