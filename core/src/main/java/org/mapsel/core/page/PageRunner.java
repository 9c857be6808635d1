package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.MappingIn;
import org.mapsel.core.mapping.MappingOut;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** What an event does to a page. Pure: the same page, state and event always give the same. */
public final class PageRunner {

  /** The state after an event, and what is to be done outside. */
  public record Outcome(PageState state, List<PageEffect> effects) {
    public Outcome {
      effects = List.copyOf(effects);
    }
  }

  private final Page page;

  public PageRunner(Page page) {
    this.page = page;
  }

  public Outcome step(PageState state, PageEvent event) {
    return switch (event) {
      case PageEvent.Opened opened -> start(state.withoutMessages(), new Reaction.Trigger.Opened());
      case PageEvent.Pressed pressed ->
          start(state.withoutMessages(), new Reaction.Trigger.Pressed(pressed.button()));
      case PageEvent.Entered entered ->
          new Outcome(state.withInput(entered.input(), entered.value()), List.of());
      case PageEvent.Answered answered -> {
        PageEffect.RunCall effect = answered.effect();
        PageState filled =
            state.withContents(
                MappingOut.apply(call(effect.call()).comesBack(), answered.returned()));
        List<PageEffect> effects = new ArrayList<>();
        PageState after = goOn(filled, effect.reaction(), effect.step() + 1, effects);
        yield new Outcome(after, effects);
      }
      case PageEvent.CallFailed failed ->
          new Outcome(state.saying(new PageState.Message(true, failed.reason())), List.of());
    };
  }

  private Call call(CallId id) {
    return page.call(id)
        .orElseThrow(() -> new IllegalArgumentException("The page has no call " + id));
  }

  private Outcome start(PageState state, Reaction.Trigger trigger) {
    List<PageEffect> effects = new ArrayList<>();
    PageState after = state;
    for (int i = 0; i < page.reactions().size(); i++) {
      Reaction reaction = page.reactions().get(i);
      if (reaction.when().equals(trigger)
          && (!(trigger instanceof Reaction.Trigger.Opened) || isReady(reaction, state))) {
        after = goOn(after, i, 0, effects);
      }
    }
    return new Outcome(after, effects);
  }

  /** Nobody has had a chance yet to fill in what a call needs; it waits until somebody asks. */
  private boolean isReady(Reaction reaction, PageState state) {
    return reaction.steps().stream()
        .filter(Reaction.Step.MakeCall.class::isInstance)
        .flatMap(step -> call(((Reaction.Step.MakeCall) step).call()).goesIn().stream())
        .map(Mapping::source)
        .filter(Source.Entered.class::isInstance)
        .map(source -> ((Source.Entered) source).input())
        .noneMatch(
            input ->
                isRequired(input)
                    && MappingIn.isEmpty(state.inputs().getOrDefault(input, Value.ABSENT)));
  }

  private boolean isRequired(PartId input) {
    return page.parts().stream()
        .filter(Part.Form.class::isInstance)
        .flatMap(form -> ((Part.Form) form).inputs().stream())
        .anyMatch(
            known ->
                known.id().equals(input)
                    && known.required()
                    && known.kind() != Input.Kind.CHECKBOX);
  }

  /** Takes the steps of a reaction from one on, until the next call or the end. */
  private PageState goOn(PageState state, int reaction, int from, List<PageEffect> effects) {
    List<Reaction.Step> steps = page.reactions().get(reaction).steps();
    PageState after = state;
    for (int i = from; i < steps.size(); i++) {
      switch (steps.get(i)) {
        case Reaction.Step.Say say ->
            after = after.saying(new PageState.Message(false, say.text()));
        case Reaction.Step.MakeCall make -> {
          effects.add(
              new PageEffect.RunCall(
                  make.call(),
                  MappingIn.apply(call(make.call()).goesIn(), after.inputs()),
                  reaction,
                  i));
          return after;
        }
      }
    }
    return after;
  }
}
