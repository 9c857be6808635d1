package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Takes the steps of reactions. */
final class Steps {

  private final PageValues values;
  private final Page page;

  Steps(PageValues values) {
    this.values = values;
    this.page = values.page();
  }

  /** Takes the steps of a reaction from one on, until the next calls, a question or the end. */
  PageState goOn(PageState state, PageState.Position from, Consequences then) {
    Optional<Reaction> reaction = page.reaction(from.reaction());
    if (reaction.isEmpty()) {
      return state;
    }
    List<Reaction.Step> steps = from.failure() ? reaction.get().failure() : reaction.get().steps();
    PageState after = state;
    for (int i = from.step(); i < steps.size(); i++) {
      Reaction.Step step = steps.get(i);
      if (!values.holds(
          after, step.id(), Optional.ofNullable(step.slots().get(Reaction.CONDITION)))) {
        then.tell(
            new Happening.HoldsNot(
                reaction.get().id(), reaction.get().when(), Optional.of(step.id())));
        continue;
      }
      switch (step.action()) {
        case Action.MakeCall make -> {
          List<Call> together = together(steps, i);
          if (!together.isEmpty()) {
            return calling(after, together, at(from, i + together.size()), then);
          }
        }
        case Action.SetInput set -> {
          Value value = values.value(after, step.id(), Action.VALUE);
          Value given = value.isAbsent() ? Value.NULL : value;
          then.tell(new Happening.Sets(set.input(), given));
          after = after.withInput(set.input(), given);
        }
        case Action.Clear clear -> {
          then.tell(new Happening.Clears(clear.form()));
          after = cleared(after, clear);
        }
        case Action.Say say -> {
          String words = values.text(after, step.id(), Action.WORDS);
          then.tell(new Happening.Says(words));
          after = after.saying(new PageState.Message(from.failure(), words));
        }
        case Action.Ask ask -> {
          String words = values.text(after, step.id(), Action.WORDS);
          then.tell(new Happening.Asks(words));
          return after.asking(Optional.of(new PageState.Asking(words, at(from, i + 1))));
        }
        case Action.GoTo go -> {
          Map<String, Value> arguments = arguments(after, step);
          then.tell(new Happening.Opens(go.page(), arguments));
          then.want(new PageEffect.GoTo(go.page(), arguments, after.messages()));
          return after.withoutMessages();
        }
        case Action.GoBack back -> {
          then.tell(new Happening.GoesBack());
          then.want(new PageEffect.GoBack(after.messages()));
          return after.withoutMessages();
        }
        case Action.OpenAddress open -> after = opening(after, step, then);
        case Action.Stop stop -> {
          then.tell(new Happening.Stops());
          return after;
        }
      }
    }
    return after;
  }

  private PageState cleared(PageState state, Action.Clear clear) {
    return state.withoutInputs(
        page.part(clear.form()).stream()
            .flatMap(
                part -> Stream.concat(Stream.of(part.id()), part.items().stream().map(Item::id)))
            .toList());
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
      PageState state, List<Call> calls, PageState.Position next, Consequences then) {
    PageState after = state;
    Set<CallId> waitedFor = new HashSet<>();
    for (Call call : calls) {
      RecordValue parameters = Parameters.of(values.plan(), call, values.scope(state));
      then.tell(new Happening.Calls(call.id(), parameters));
      then.want(new PageEffect.RunCall(call.id(), parameters, next.reaction(), next.turn()));
      waitedFor.add(call.id());
      if (!after.answers().containsKey(call.id())) {
        after = after.with(call.id(), new PageState.Answer.Asked());
      }
    }
    return after.waiting(next.reaction(), new PageState.Waiting(next, waitedFor, false));
  }

  private Map<String, Value> arguments(PageState state, Reaction.Step step) {
    Map<String, Value> arguments = new LinkedHashMap<>();
    for (String name : step.action().slotNames()) {
      Value value = values.value(state, step.id(), name);
      if (!value.isAbsent()) {
        arguments.put(name, value);
      }
    }
    return arguments;
  }

  private PageState opening(PageState state, Reaction.Step step, Consequences then) {
    String address = values.text(state, step.id(), Action.ADDRESS).strip();
    if (OutsideAddress.isFit(address)) {
      then.tell(new Happening.OpensAddress(address));
      then.want(new PageEffect.OpenAddress(address));
      return state;
    }
    return then.failing(state, "This is no address that can be opened: " + address);
  }
}
