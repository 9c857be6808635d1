package org.mapsel.core.page.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.mapping.Plan;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** What an event does to a page. Pure: the same page, state and event always give the same. */
public final class PageRunner {

  /** The state after an event, and what is to be done outside. */
  public record Stepped(PageState state, List<PageEffect> effects) {
    public Stepped {
      effects = List.copyOf(effects);
    }
  }

  private final Page page;
  private final Plan plan;
  private final Map<PartId, String> required;
  private final Instant now;

  /**
   * @param required the inputs that must be filled, with what people call them
   */
  public PageRunner(Page page, Plan plan, Map<PartId, String> required, Instant now) {
    this.page = page;
    this.plan = plan;
    this.required = Map.copyOf(required);
    this.now = now;
  }

  public Stepped step(PageState state, PageEvent event) {
    return switch (event) {
      case PageEvent.Opened opened -> start(state.withoutMessages(), new Reaction.Trigger.Opened());
      case PageEvent.Pressed pressed -> pressed(state.withoutMessages(), pressed.button());
      case PageEvent.Entered entered -> {
        PageState after = state;
        for (Map.Entry<PartId, Value> input : entered.inputs().entrySet()) {
          after = after.withInput(input.getKey(), input.getValue());
        }
        yield new Stepped(after, List.of());
      }
      case PageEvent.RowChosen chosen ->
          new Stepped(
              Integer.valueOf(chosen.row()).equals(state.chosen().get(chosen.part()))
                  ? state.withoutChoice(chosen.part())
                  : state.choosing(chosen.part(), chosen.row()),
              List.of());
      case PageEvent.Answered answered -> {
        PageEffect.RunCall effect = answered.effect();
        PageState filled =
            withoutChoices(state, effect.call())
                .with(
                    effect.call(),
                    new PageState.Answer.Answered(answered.returned(), answered.exchange()));
        List<PageEffect> effects = new ArrayList<>();
        PageState after = goOn(filled, effect.reaction(), effect.step() + 1, effects);
        yield new Stepped(after, effects);
      }
      case PageEvent.CallFailed failed -> failed(state, failed);
    };
  }

  /** A failure leaves what was answered before, and says why. */
  private static Stepped failed(PageState state, PageEvent.CallFailed failed) {
    CallId call = failed.effect().call();
    PageState after =
        state.answers().get(call) instanceof PageState.Answer.Answered
            ? state
            : state.with(call, new PageState.Answer.Failed(failed.reason()));
    return new Stepped(after.saying(new PageState.Message(true, failed.reason())), List.of());
  }

  /** New rows are not the ones that something was chosen of. */
  private PageState withoutChoices(PageState state, CallId call) {
    PageState after = state;
    for (Part part : page.parts()) {
      boolean rows =
          part instanceof Part.Table table
              && table
                  .rows()
                  .filter(
                      mapping ->
                          mapping.source() instanceof Source.Returned one
                              && one.call().equals(call))
                  .isPresent();
      after = rows ? after.withoutChoice(part.id()) : after;
    }
    return after;
  }

  private Stepped pressed(PageState state, PartId button) {
    Reaction.Trigger trigger = new Reaction.Trigger.Pressed(button);
    Set<String> missing = new LinkedHashSet<>();
    for (Reaction reaction : page.reactions()) {
      if (reaction.when().equals(trigger)) {
        missing.addAll(missing(reaction, state));
      }
    }
    if (!missing.isEmpty()) {
      String names = String.join(", ", missing);
      return new Stepped(
          state.saying(new PageState.Message(true, "Please fill in: " + names + ".")), List.of());
    }
    return start(state, trigger);
  }

  private Stepped start(PageState state, Reaction.Trigger trigger) {
    List<PageEffect> effects = new ArrayList<>();
    PageState after = state;
    for (int i = 0; i < page.reactions().size(); i++) {
      Reaction reaction = page.reactions().get(i);
      // Nobody has had a chance yet to fill in what a call needs when a page is opened.
      boolean early =
          trigger instanceof Reaction.Trigger.Opened && !missing(reaction, state).isEmpty();
      if (reaction.when().equals(trigger) && !early) {
        after = goOn(after, i, 0, effects);
      }
    }
    return new Stepped(after, effects);
  }

  /** What must be filled for the calls of a reaction and is not, by its names. */
  private List<String> missing(Reaction reaction, PageState state) {
    Scope scope = new StateScope(page, plan, state, now);
    List<String> missing = new ArrayList<>();
    for (Reaction.Step step : reaction.steps()) {
      if (step instanceof Reaction.Step.MakeCall make) {
        page.call(make.call()).stream()
            .flatMap(call -> call.parameters().stream())
            .map(parameter -> parameter.mapping().source())
            .filter(Source.Entered.class::isInstance)
            .map(source -> ((Source.Entered) source).input())
            .filter(input -> required.containsKey(input) && scope.entered(input).isAbsent())
            .map(required::get)
            .forEach(missing::add);
      }
    }
    return missing;
  }

  /** Takes the steps of a reaction from one on, until the next call or the end. */
  private PageState goOn(PageState state, int reaction, int from, List<PageEffect> effects) {
    List<Reaction.Step> steps = page.reactions().get(reaction).steps();
    for (int i = from; i < steps.size(); i++) {
      switch (steps.get(i)) {
        case Reaction.Step.MakeCall make -> {
          Optional<Call> call = page.call(make.call());
          if (call.isPresent()) {
            Scope scope = new StateScope(page, plan, state, now);
            effects.add(
                new PageEffect.RunCall(
                    make.call(), Parameters.of(page, call.get(), plan, scope), reaction, i));
            return state.answers().containsKey(make.call())
                ? state
                : state.with(make.call(), new PageState.Answer.Asked());
          }
        }
      }
    }
    return state;
  }
}
