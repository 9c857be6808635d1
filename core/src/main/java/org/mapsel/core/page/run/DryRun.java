package org.mapsel.core.page.run;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What reactions would do with the samples that a page is filled with. Nothing is sent and nothing
 * is kept: calls are answered by their samples.
 */
public final class DryRun {

  /** A page that goes round in a circle is followed so far. */
  private static final int MOST_EVENTS = 20;

  /** One thing that would happen. */
  public sealed interface Happening {

    /** A call would be made with these parameters. */
    record Calls(CallId call, RecordValue parameters) implements Happening {}

    /** A call would come back as a failure, as its sample did. */
    record Fails(CallId call, String reason) implements Happening {}

    /** An input would be given a value. */
    record Sets(PartId input, Value value) implements Happening {}

    /** Something would be said. */
    record Says(String words) implements Happening {}

    /** A question would be asked; what follows is what a yes leads to. */
    record Asks(String words) implements Happening {}

    /** Another page would be opened. */
    record Opens(PageId page, Map<String, Value> arguments) implements Happening {
      public Opens {
        arguments = Map.copyOf(arguments);
      }
    }

    /** The page that led here would be gone back to. */
    record GoesBack() implements Happening {}

    /** An address outside would be opened. */
    record OpensAddress(String address) implements Happening {}
  }

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
    PageState state = sampled.withoutMessages();
    PageRunner.Stepped stepped = runner.begin(state, reaction);
    for (int i = 0; i < MOST_EVENTS; i++) {
      told(state, stepped.state(), happenings);
      stepped.effects().forEach(effect -> happened(effect, happenings, events));
      state = stepped.state().withoutMessages();
      if (!events.isEmpty()) {
        stepped = runner.step(state, events.poll());
      } else if (state.asking().isPresent()) {
        stepped = runner.step(state, new PageEvent.Replied(true));
      } else {
        break;
      }
    }
    return happenings;
  }

  private static void told(PageState before, PageState after, List<Happening> happenings) {
    after
        .inputs()
        .forEach(
            (input, value) -> {
              if (!value.equals(before.inputs().getOrDefault(input, Value.NULL))) {
                happenings.add(new Happening.Sets(input, value));
              }
            });
    after.messages().forEach(message -> happenings.add(new Happening.Says(message.text())));
    after
        .asking()
        .filter(asking -> before.asking().isEmpty())
        .ifPresent(asking -> happenings.add(new Happening.Asks(asking.words())));
  }

  private void happened(PageEffect effect, List<Happening> happenings, Deque<PageEvent> events) {
    switch (effect) {
      case PageEffect.RunCall run -> {
        happenings.add(new Happening.Calls(run.call(), run.parameters()));
        if (sampled.answers().get(run.call()) instanceof PageState.Answer.Failed failed) {
          happenings.add(new Happening.Fails(run.call(), failed.reason()));
          events.add(new PageEvent.CallFailed(run, failed.reason()));
        } else {
          RecordValue answer =
              sampled.returned(run.call()) instanceof RecordValue record
                  ? record
                  : RecordValue.empty();
          events.add(new PageEvent.Answered(run, answer, ""));
        }
      }
      case PageEffect.GoTo go -> {
        go.messages().forEach(message -> happenings.add(new Happening.Says(message.text())));
        happenings.add(new Happening.Opens(go.page(), go.arguments()));
      }
      case PageEffect.GoBack back -> {
        back.messages().forEach(message -> happenings.add(new Happening.Says(message.text())));
        happenings.add(new Happening.GoesBack());
      }
      case PageEffect.OpenAddress open ->
          happenings.add(new Happening.OpensAddress(open.address()));
    }
  }
}
