package org.mapsel.core.page.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.Value;

/** What an event does to a page. Pure: the same page, state and event always give the same. */
public final class PageRunner {

  /** The state after an event, and what is to be done outside. */
  public record Stepped(PageState state, List<PageEffect> effects) {
    public Stepped {
      effects = List.copyOf(effects);
    }
  }

  private final PagePlan plan;
  private final Page page;
  private final Map<PartId, String> required;
  private final Formats formats;
  private final Instant now;

  /**
   * @param formats how values in messages are written
   */
  public PageRunner(PagePlan plan, Formats formats, Instant now) {
    this.plan = plan;
    this.page = plan.page();
    this.required = plan.required();
    this.formats = formats;
    this.now = now;
  }

  public Stepped step(PageState state, PageEvent event) {
    List<PageEffect> effects = new ArrayList<>();
    PageState after =
        switch (event) {
          case PageEvent.Opened opened -> opened(state, opened, effects);
          case PageEvent.CameBack back -> start(state, new Trigger.CameBack(), effects);
          case PageEvent.Pressed pressed ->
              pressed(inRow(state.withoutMessages(), pressed), pressed.button(), effects);
          case PageEvent.Entered entered -> entered(state, entered, effects);
          case PageEvent.RowChosen chosen -> chosen(state, chosen, effects);
          case PageEvent.Arranged arranged ->
              page.rowsPart(arranged.part()).isPresent()
                  ? state.arranging(arranged.part(), arranged.arrangement())
                  : state;
          case PageEvent.Passed passed ->
              start(state, new Trigger.Every(passed.seconds()), effects);
          case PageEvent.Replied replied -> replied(state, replied.yes(), effects);
          case PageEvent.Answered answered -> answered(state, answered, effects);
          case PageEvent.CallFailed failed -> failed(state, failed, effects);
        };
    return new Stepped(after, effects);
  }

  private PageState opened(PageState state, PageEvent.Opened event, List<PageEffect> effects) {
    PageState after = state.withArguments(event.arguments()).withMessages(event.messages());
    List<String> missing =
        page.arguments().stream()
            .map(Argument::name)
            .filter(name -> !event.arguments().containsKey(name))
            .map(Labels::of)
            .toList();
    if (!missing.isEmpty()) {
      after =
          after.saying(
              new PageState.Message(
                  true,
                  "This page is opened from another one, which says what it is about. Missing: "
                      + String.join(", ", missing)
                      + "."));
    }
    return start(after, new Trigger.Opened(), effects);
  }

  private PageState entered(PageState state, PageEvent.Entered event, List<PageEffect> effects) {
    PageState after = state;
    List<PartId> changed = new ArrayList<>();
    for (Map.Entry<PartId, Value> input : event.inputs().entrySet()) {
      if (!input.getValue().equals(state.inputs().get(input.getKey()))) {
        changed.add(input.getKey());
        after = after.withInput(input.getKey(), input.getValue());
      }
    }
    for (PartId input : changed) {
      after = start(after, new Trigger.Changed(input), effects);
    }
    return after;
  }

  private PageState chosen(PageState state, PageEvent.RowChosen event, List<PageEffect> effects) {
    Trigger trigger = new Trigger.RowChosen(event.part());
    boolean follows =
        page.reactions().stream().anyMatch(reaction -> reaction.when().equals(trigger));
    boolean again = Integer.valueOf(event.row()).equals(state.chosen().get(event.part()));
    return again && !follows
        ? state.withoutChoice(event.part())
        : start(state.withoutMessages().choosing(event.part(), event.row()), trigger, effects);
  }

  private PageState replied(PageState state, boolean yes, List<PageEffect> effects) {
    Optional<PageState.Asking> asked = state.asking();
    PageState after = state.asking(Optional.empty());
    return asked.isPresent() && yes ? goOn(after, asked.get().next(), effects) : after;
  }

  private PageState answered(PageState state, PageEvent.Answered event, List<PageEffect> effects) {
    PageEffect.RunCall effect = event.effect();
    if (!isWaitedFor(state, effect)) {
      return state;
    }
    PageState after =
        withoutChoices(state, effect.call())
            .with(effect.call(), new PageState.Answer.Answered(event.returned(), event.exchange()));
    after = start(after, new Trigger.Answered(effect.call()), effects);
    return back(after, effect, false, effects);
  }

  /** A failure leaves what was answered before, and says why unless there are steps for it. */
  private PageState failed(PageState state, PageEvent.CallFailed event, List<PageEffect> effects) {
    PageEffect.RunCall effect = event.effect();
    if (!isWaitedFor(state, effect)) {
      return state;
    }
    PageState after =
        state.answers().get(effect.call()) instanceof PageState.Answer.Answered
            ? state
            : state.with(effect.call(), new PageState.Answer.Failed(event.reason()));
    after = after.withFailure(event.reason());
    boolean handled =
        !state.waiting().get(effect.reaction()).next().failure()
            && page.reaction(effect.reaction())
                .filter(reaction -> !reaction.failure().isEmpty())
                .isPresent();
    if (!handled) {
      after = after.saying(new PageState.Message(true, event.reason()));
    }
    return back(after, effect, true, effects);
  }

  /** Whether what is back was asked for by the newest run of its reaction. */
  private static boolean isWaitedFor(PageState state, PageEffect.RunCall effect) {
    PageState.Waiting waiting = state.waiting().get(effect.reaction());
    return waiting != null
        && waiting.next().turn() == effect.turn()
        && waiting.calls().contains(effect.call());
  }

  private PageState back(
      PageState state, PageEffect.RunCall effect, boolean failed, List<PageEffect> effects) {
    PageState.Waiting waiting = state.waiting().get(effect.reaction());
    if (waiting == null || waiting.next().turn() != effect.turn()) {
      return state;
    }
    Set<CallId> left = new HashSet<>(waiting.calls());
    left.remove(effect.call());
    boolean anyFailed = failed || waiting.failed();
    if (!left.isEmpty()) {
      return state.waiting(
          effect.reaction(), new PageState.Waiting(waiting.next(), left, anyFailed));
    }
    PageState after = state.notWaiting(effect.reaction());
    PageState.Position next = waiting.next();
    if (!anyFailed) {
      return goOn(after, next, effects);
    }
    return next.failure()
        ? after
        : goOn(after, new PageState.Position(next.reaction(), next.turn(), true, 0), effects);
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

  private PageState pressed(PageState state, PartId button, List<PageEffect> effects) {
    Trigger trigger = new Trigger.Pressed(button);
    Set<String> missing = new LinkedHashSet<>();
    for (Reaction reaction : page.reactions()) {
      if (reaction.when().equals(trigger)) {
        missing.addAll(missing(reaction, state));
      }
    }
    return missing.isEmpty() ? start(state, trigger, effects) : asking(state, missing);
  }

  private static PageState asking(PageState state, Collection<String> missing) {
    String names = String.join(", ", missing);
    return state.saying(new PageState.Message(true, "Please fill in: " + names + "."));
  }

  /** Begins one reaction as if what it waits for had just happened. */
  Stepped begin(PageState state, Reaction reaction) {
    if (!holds(state, reaction.owner(), reaction.condition())) {
      return new Stepped(state, List.of());
    }
    List<String> missing = missing(reaction, state);
    if (!missing.isEmpty()) {
      return new Stepped(asking(state, missing), List.of());
    }
    List<PageEffect> effects = new ArrayList<>();
    return new Stepped(begun(state, reaction, effects), effects);
  }

  private PageState begun(PageState state, Reaction reaction, List<PageEffect> effects) {
    PageState after = state.notWaiting(reaction.id()).nextTurn();
    return goOn(after, new PageState.Position(reaction.id(), after.turn(), false, 0), effects);
  }

  private PageState start(PageState state, Trigger trigger, List<PageEffect> effects) {
    PageState after = state;
    for (Reaction reaction : page.reactions()) {
      boolean starts =
          reaction.when().equals(trigger)
              && holds(after, reaction.owner(), reaction.condition())
              && (trigger instanceof Trigger.Pressed || missing(reaction, after).isEmpty());
      if (starts) {
        after = begun(after, reaction, effects);
      }
    }
    return after;
  }

  private boolean holds(PageState state, PartId owner, Optional<Mapping> condition) {
    return condition.isEmpty() || value(state, owner, Reaction.CONDITION) == BooleanValue.TRUE;
  }

  private Scope scope(PageState state) {
    return new StateScope(page, plan.plan(), state, now);
  }

  private Value value(PageState state, PartId owner, String slot) {
    return plan.plan().value(new SlotId.OfPart(page.id(), owner, slot), scope(state));
  }

  /** What must be filled for the calls of a reaction and is not, by its names. */
  private List<String> missing(Reaction reaction, PageState state) {
    Scope scope = scope(state);
    List<String> missing = new ArrayList<>();
    for (Reaction.Step step : reaction.steps()) {
      if (step.action() instanceof Action.MakeCall make) {
        page.call(make.call()).ifPresent(call -> missing(call, scope, state, missing));
      }
    }
    return missing;
  }

  private void missing(Call call, Scope scope, PageState state, List<String> missing) {
    for (Call.Parameter parameter : call.parameters()) {
      Source source = parameter.mapping().source();
      Optional<Call.Parameter> around = call.around(parameter.path());
      Optional<Part.Lines> lines = around.map(Call.Parameter::mapping).flatMap(page::linesOf);
      if (lines.isEmpty()) {
        missing(source, scope, state).ifPresent(missing::add);
        continue;
      }
      List<Value> typed = Rows.of(scope.entered(lines.get().id()));
      for (int i = 0; i < typed.size(); i++) {
        String place = " in line " + (i + 1);
        missing(source, scope.onLine(Lines.inputs(lines.get(), typed.get(i))), state)
            .ifPresent(name -> missing.add(name + place));
      }
    }
  }

  private Optional<String> missing(Source source, Scope scope, PageState state) {
    return switch (source) {
      case Source.Entered entered ->
          required.containsKey(entered.input()) && scope.entered(entered.input()).isAbsent()
              ? Optional.of(required.get(entered.input()))
              : Optional.empty();
      case Source.Argument argument ->
          state.arguments().containsKey(argument.name())
              ? Optional.empty()
              : Optional.of(Labels.of(argument.name()));
      default -> Optional.empty();
    };
  }

  /** Takes the steps of a reaction from one on, until the next calls, a question or the end. */
  private PageState goOn(PageState state, PageState.Position from, List<PageEffect> effects) {
    Optional<Reaction> reaction = page.reaction(from.reaction());
    if (reaction.isEmpty()) {
      return state;
    }
    List<Reaction.Step> steps = from.failure() ? reaction.get().failure() : reaction.get().steps();
    PageState after = state;
    for (int i = from.step(); i < steps.size(); i++) {
      Reaction.Step step = steps.get(i);
      if (!holds(after, step.id(), Optional.ofNullable(step.slots().get(Reaction.CONDITION)))) {
        continue;
      }
      switch (step.action()) {
        case Action.MakeCall make -> {
          List<Call> together = together(steps, i);
          if (!together.isEmpty()) {
            return calling(after, together, at(from, i + together.size()), effects);
          }
        }
        case Action.SetInput set -> {
          Value value = value(after, step.id(), Action.VALUE);
          after = after.withInput(set.input(), value.isAbsent() ? Value.NULL : value);
        }
        case Action.Clear clear ->
            after =
                after.withoutInputs(
                    page.part(clear.form()).stream()
                        .flatMap(
                            part ->
                                Stream.concat(
                                    Stream.of(part.id()), part.items().stream().map(Item::id)))
                        .toList());
        case Action.Say say ->
            after = after.saying(new PageState.Message(from.failure(), words(after, step)));
        case Action.Ask ask -> {
          return after.asking(
              Optional.of(new PageState.Asking(words(after, step), at(from, i + 1))));
        }
        case Action.GoTo go -> {
          effects.add(new PageEffect.GoTo(go.page(), arguments(after, step), after.messages()));
          return after.withoutMessages();
        }
        case Action.GoBack back -> {
          effects.add(new PageEffect.GoBack(after.messages()));
          return after.withoutMessages();
        }
        case Action.OpenAddress open -> after = opening(after, step, effects);
        case Action.Stop stop -> {
          return after;
        }
      }
    }
    return after;
  }

  private static PageState.Position at(PageState.Position from, int step) {
    return new PageState.Position(from.reaction(), from.turn(), from.failure(), step);
  }

  /** A call and those after it that need not wait for it. */
  private List<Call> together(List<Reaction.Step> steps, int first) {
    List<Call> calls = new ArrayList<>();
    for (int i = first; i < steps.size(); i++) {
      Reaction.Step step = steps.get(i);
      if (!(step.action() instanceof Action.MakeCall make)
          || i > first && step.slots().containsKey(Reaction.CONDITION)) {
        break;
      }
      Optional<Call> call = page.call(make.call());
      if (call.isEmpty() || calls.contains(call.get()) || needs(call.get(), calls)) {
        break;
      }
      calls.add(call.get());
    }
    return calls;
  }

  /** Whether a call takes what others answer; a formula may take anything. */
  private boolean needs(Call call, List<Call> others) {
    return !others.isEmpty()
        && call.parameters().stream()
            .map(parameter -> parameter.mapping().source())
            .anyMatch(
                source ->
                    source instanceof Source.Formula
                        || Sources.calls(page, source).stream()
                            .anyMatch(
                                needed ->
                                    others.stream().anyMatch(other -> other.id().equals(needed))));
  }

  private PageState calling(
      PageState state, List<Call> calls, PageState.Position next, List<PageEffect> effects) {
    PageState after = state;
    Set<CallId> waitedFor = new HashSet<>();
    for (Call call : calls) {
      effects.add(
          new PageEffect.RunCall(
              call.id(),
              Parameters.of(page, call, plan.plan(), scope(state)),
              next.reaction(),
              next.turn()));
      waitedFor.add(call.id());
      if (!after.answers().containsKey(call.id())) {
        after = after.with(call.id(), new PageState.Answer.Asked());
      }
    }
    return after.waiting(next.reaction(), new PageState.Waiting(next, waitedFor, false));
  }

  private String words(PageState state, Reaction.Step step) {
    return text(state, step, Action.WORDS);
  }

  private String text(PageState state, Reaction.Step step, String slot) {
    SlotId id = new SlotId.OfPart(page.id(), step.id(), slot);
    return plan.plan()
        .find(id)
        .map(planned -> formats.show(planned.value(scope(state)), Look.words(planned.type())))
        .orElse("");
  }

  private Map<String, Value> arguments(PageState state, Reaction.Step step) {
    Map<String, Value> arguments = new LinkedHashMap<>();
    for (String name : step.action().slotNames()) {
      Value value = value(state, step.id(), name);
      if (!value.isAbsent()) {
        arguments.put(name, value);
      }
    }
    return arguments;
  }

  private PageState opening(PageState state, Reaction.Step step, List<PageEffect> effects) {
    String address = text(state, step, Action.ADDRESS).strip();
    if (OutsideAddress.isFit(address)) {
      effects.add(new PageEffect.OpenAddress(address));
      return state;
    }
    return state.saying(
        new PageState.Message(true, "This is no address that can be opened: " + address));
  }
}
