package org.mapsel.core.page.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Labels;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** What an event does to a page. Pure: the same page, state and event always give the same. */
public final class PageRunner {

  /** The state after an event, what is to be done outside, and what happened, in its order. */
  public record Stepped(PageState state, List<PageEffect> effects, List<Happening> happenings) {
    public Stepped {
      effects = List.copyOf(effects);
      happenings = List.copyOf(happenings);
    }
  }

  private final Page page;
  private final PageValues values;
  private final MissingInputs missing;
  private final Steps steps;
  private final Conflicts conflicts;

  /**
   * @param formats how values in messages are written
   */
  public PageRunner(PagePlan plan, Formats formats, Instant now) {
    this.page = plan.page();
    this.values = new PageValues(plan, formats, now);
    this.missing = new MissingInputs(values);
    this.steps = new Steps(values);
    this.conflicts = new Conflicts(values.plan());
  }

  public Stepped step(PageState state, PageEvent event) {
    Consequences then = new Consequences();
    PageState after =
        switch (event) {
          case PageEvent.Opened opened -> opened(state, opened, then);
          case PageEvent.CameBack back -> start(state, new Trigger.CameBack(), then);
          case PageEvent.Pressed pressed ->
              pressed(inRow(state.withoutMessages(), pressed), pressed.button(), then);
          case PageEvent.Entered entered -> entered(state, entered, then);
          case PageEvent.RowChosen chosen -> chosen(state, chosen, then);
          case PageEvent.Arranged arranged ->
              page.rowsPart(arranged.part()).isPresent()
                  ? state.arranging(arranged.part(), arranged.arrangement())
                  : state;
          case PageEvent.Passed passed -> start(state, new Trigger.Every(passed.seconds()), then);
          case PageEvent.Replied replied -> replied(state, replied.yes(), then);
          case PageEvent.Answered answered -> answered(state, answered, then);
          case PageEvent.CallFailed failed -> failed(state, failed, then);
        };
    return then.after(after);
  }

  private PageState opened(PageState state, PageEvent.Opened event, Consequences then) {
    PageState after = state.withArguments(event.arguments()).withMessages(event.messages());
    List<String> absent =
        page.arguments().stream()
            .map(Argument::name)
            .filter(name -> !event.arguments().containsKey(name))
            .map(Labels::of)
            .toList();
    if (!absent.isEmpty()) {
      after =
          then.failing(
              after,
              "This page is opened from another one, which says what it is about. Missing: "
                  + String.join(", ", absent)
                  + ".");
    }
    return start(after, new Trigger.Opened(), then);
  }

  private PageState entered(PageState state, PageEvent.Entered event, Consequences then) {
    PageState after = state;
    List<PartId> changed = new ArrayList<>();
    for (Map.Entry<PartId, Value> input : event.inputs().entrySet()) {
      if (!input.getValue().equals(state.inputs().get(input.getKey()))) {
        changed.add(input.getKey());
        then.tell(new Happening.Enters(input.getKey(), input.getValue()));
        after = after.withInput(input.getKey(), input.getValue());
      }
    }
    // What was said of other values is not true of these.
    after = changed.isEmpty() ? after : after.withoutMessages();
    for (PartId input : changed) {
      after = start(after, new Trigger.Changed(input), then);
    }
    return after;
  }

  private PageState chosen(PageState state, PageEvent.RowChosen event, Consequences then) {
    Trigger trigger = new Trigger.RowChosen(event.part());
    boolean follows =
        page.reactions().stream().anyMatch(reaction -> reaction.when().equals(trigger));
    boolean again = Integer.valueOf(event.row()).equals(state.chosen().get(event.part()));
    if (again && !follows) {
      return state.withoutChoice(event.part());
    }
    then.tell(new Happening.Chooses(event.part(), event.row()));
    return start(state.withoutMessages().choosing(event.part(), event.row()), trigger, then);
  }

  private PageState replied(PageState state, boolean yes, Consequences then) {
    Optional<PageState.Asking> asked = state.asking();
    PageState after = state.asking(Optional.empty());
    if (asked.isPresent() && yes) {
      return steps.goOn(after, asked.get().next(), then);
    }
    return asked
        .flatMap(PageState.Asking::conflict)
        .map(call -> conflicts.forget(after, call))
        .orElse(after);
  }

  private PageState answered(PageState state, PageEvent.Answered event, Consequences then) {
    PageEffect.RunCall effect = event.effect();
    if (!isWaitedFor(state, effect)) {
      then.tell(new Happening.ComesLate(effect.call()));
      return state;
    }
    PageState after =
        withoutChoices(state, effect.call())
            .with(effect.call(), new PageState.Answer.Answered(event.returned(), event.exchange()));
    after = start(after, new Trigger.Answered(effect.call()), then);
    if (!event.returned().equals(state.returned(effect.call()))) {
      after = Conflicts.changed(after, effect.reaction());
    }
    return back(after, effect, false, then);
  }

  /** A failure leaves what was answered before, and says why unless there are steps for it. */
  private PageState failed(PageState state, PageEvent.CallFailed event, Consequences then) {
    PageEffect.RunCall effect = event.effect();
    if (!isWaitedFor(state, effect)) {
      then.tell(new Happening.ComesLate(effect.call()));
      return state;
    }
    PageState after =
        state.answers().get(effect.call()) instanceof PageState.Answer.Answered
            ? state
            : state.with(effect.call(), new PageState.Answer.Failed(event.reason()));
    then.tell(new Happening.Fails(effect.call(), event.reason()));
    after = after.withFailure(event.reason());
    boolean handled =
        !state.waiting().get(effect.reaction()).next().failure()
            && page.reaction(effect.reaction())
                .filter(reaction -> !reaction.failure().isEmpty())
                .isPresent();
    if (!handled && event.conflict()) {
      Optional<PageState> again = conflicts.begin(after, effect, values, then);
      if (again.isPresent()) {
        return again.get();
      }
    }
    if (!handled) {
      after = then.failing(after, event.reason());
    }
    return back(after, effect, true, then);
  }

  /** Whether what is back was asked for by the newest run of its reaction. */
  private static boolean isWaitedFor(PageState state, PageEffect.RunCall effect) {
    PageState.Waiting waiting = state.waiting().get(effect.reaction());
    return waiting != null
        && waiting.next().turn() == effect.turn()
        && waiting.calls().contains(effect.call());
  }

  private PageState back(
      PageState state, PageEffect.RunCall effect, boolean failed, Consequences then) {
    PageState.Waiting waiting = state.waiting().get(effect.reaction());
    if (waiting == null || waiting.next().turn() != effect.turn()) {
      return state;
    }
    Set<CallId> left = new HashSet<>(waiting.calls());
    left.remove(effect.call());
    boolean anyFailed = failed || waiting.failed();
    if (!left.isEmpty()) {
      return state.waiting(
          effect.reaction(),
          new PageState.Waiting(waiting.next(), left, anyFailed, waiting.conflict()));
    }
    PageState after = state.notWaiting(effect.reaction());
    PageState.Position next = waiting.next();
    if (waiting.conflict().isPresent()) {
      return anyFailed ? after : Conflicts.ask(after, waiting.conflict().get(), next, then);
    }
    if (!anyFailed) {
      return steps.goOn(after, next, then);
    }
    return next.failure()
        ? after
        : steps.goOn(after, new PageState.Position(next.reaction(), next.turn(), true, 0), then);
  }

  /** New rows are not the ones that something was chosen of. */
  private PageState withoutChoices(PageState state, CallId call) {
    PageState after = state;
    for (Part part : page.parts()) {
      boolean rows =
          part instanceof Part.OverRows list
              && list.rows().filter(mapping -> Sources.isFrom(mapping.source(), call)).isPresent();
      after = rows ? after.withoutChoice(part.id()) : after;
    }
    return after;
  }

  /** The row that a button stands in is the chosen one before anything follows. */
  private PageState inRow(PageState state, PageEvent.Pressed event) {
    return page.part(event.button())
        .flatMap(page::rowsAround)
        .flatMap(around -> event.row().map(row -> state.choosing(around.id(), row)))
        .orElse(state);
  }

  private PageState pressed(PageState state, PartId button, Consequences then) {
    Trigger trigger = new Trigger.Pressed(button);
    Set<String> absent = new LinkedHashSet<>();
    for (Reaction reaction : page.reactions()) {
      if (reaction.when().equals(trigger)) {
        absent.addAll(missing.of(reaction, state));
      }
    }
    return absent.isEmpty() ? start(state, trigger, then) : asking(state, absent, then);
  }

  private static PageState asking(PageState state, Collection<String> absent, Consequences then) {
    return then.failing(state, "Please fill in: " + String.join(", ", absent) + ".");
  }

  /** Begins one reaction as if what it waits for had just happened. */
  Stepped begin(PageState state, Reaction reaction) {
    Consequences then = new Consequences();
    if (!values.holds(state, reaction.owner(), reaction.condition())) {
      return then.after(state);
    }
    List<String> absent = missing.of(reaction, state);
    return then.after(
        absent.isEmpty() ? begun(state, reaction, then) : asking(state, absent, then));
  }

  private PageState begun(PageState state, Reaction reaction, Consequences then) {
    then.tell(new Happening.Begins(reaction.id(), reaction.when()));
    PageState after = state.notWaiting(reaction.id()).nextTurn();
    return steps.goOn(after, new PageState.Position(reaction.id(), after.turn(), false, 0), then);
  }

  private PageState start(PageState state, Trigger trigger, Consequences then) {
    PageState after = state;
    for (Reaction reaction : page.reactions()) {
      if (reaction.when().equals(trigger)) {
        after = started(after, reaction, then);
      }
    }
    return after;
  }

  private PageState started(PageState state, Reaction reaction, Consequences then) {
    if (!values.holds(state, reaction.owner(), reaction.condition())) {
      then.tell(new Happening.HoldsNot(reaction.id(), reaction.when(), Optional.empty()));
      return state;
    }
    // Whoever presses a button was told what is missing before.
    List<String> absent =
        reaction.when() instanceof Trigger.Pressed ? List.of() : missing.of(reaction, state);
    if (!absent.isEmpty()) {
      then.tell(new Happening.Lacks(reaction.id(), reaction.when(), absent));
      return state;
    }
    return begun(state, reaction, then);
  }
}
