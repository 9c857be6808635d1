package org.mapsel.core.page.run;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.kind.InputLook;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What happens when somebody else changed in the meantime what a call changes: it is read again,
 * and the visitor sees both states and decides which is kept. Where nothing has changed, the
 * service means something else, which is said in its words.
 */
public final class Conflicts {

  static final String ASKED = "Somebody else has changed this in the meantime.";
  static final String TAKEN = "This is what is there now. What you had changed was not saved.";

  private final PagePlan plan;
  private final Page page;

  public Conflicts(PagePlan plan) {
    this.plan = plan;
    this.page = plan.page();
  }

  /**
   * A value that a visitor typed, and what is there now, as people read them.
   *
   * @param label of the input
   */
  public record Difference(PartId input, String label, String mine, String theirs) {}

  /**
   * Reads again what a failed call changes; nothing if the page does not read it, or if others are
   * waited for besides.
   */
  Optional<PageState> begin(
      PageState state, PageEffect.RunCall failed, PageValues values, Consequences then) {
    PageState.Waiting waiting = state.waiting().get(failed.reaction());
    Optional<Reaction> reaction = page.reaction(failed.reaction());
    Set<CallId> reading = page.call(failed.call()).map(this::reading).orElse(Set.of());
    boolean alone = waiting.calls().equals(Set.of(failed.call())) && !waiting.next().failure();
    if (reading.isEmpty() || reaction.isEmpty() || !alone) {
      return Optional.empty();
    }
    for (CallId id : reading) {
      RecordValue parameters =
          Parameters.of(plan, page.call(id).orElseThrow(), values.scope(state));
      then.tell(new Happening.Calls(id, parameters));
      then.want(new PageEffect.RunCall(id, parameters, failed.reaction(), failed.turn()));
    }
    PageState.Position again =
        new PageState.Position(
            failed.reaction(), failed.turn(), false, step(reaction.get(), failed.call()));
    return Optional.of(
        state.waiting(
            failed.reaction(),
            new PageState.Waiting(
                again, reading, false, Optional.of(new PageState.Conflict(failed.call(), false)))));
  }

  private static int step(Reaction reaction, CallId call) {
    List<Reaction.Step> steps = reaction.steps();
    int at = 0;
    while (at < steps.size() - 1
        && !(steps.get(at).action() instanceof Action.MakeCall make && make.call().equals(call))) {
      at++;
    }
    return at;
  }

  /**
   * The calls that what is changed was read with: it, or the inputs that fill it, begin with it.
   */
  private Set<CallId> reading(Call changing) {
    Set<CallId> reading = new LinkedHashSet<>();
    for (Call.Parameter parameter : changing.parameters()) {
      reading.addAll(Sources.calls(page, parameter.mapping().source()));
    }
    for (Input input : inputs(changing.id())) {
      input
          .start()
          .map(Mapping::source)
          .ifPresent(source -> reading.addAll(Sources.calls(page, source)));
    }
    reading.remove(changing.id());
    return reading;
  }

  /** Something that was read again is not what it was. */
  static PageState changed(PageState state, ReactionId reaction) {
    PageState.Waiting waiting = state.waiting().get(reaction);
    if (waiting == null || waiting.conflict().isEmpty()) {
      return state;
    }
    PageState.Conflict known = new PageState.Conflict(waiting.conflict().get().call(), true);
    return state.waiting(
        reaction,
        new PageState.Waiting(
            waiting.next(), waiting.calls(), waiting.failed(), Optional.of(known)));
  }

  /** All was read again: asks which state is kept, if there are two. */
  static PageState ask(
      PageState state, PageState.Conflict conflict, PageState.Position again, Consequences then) {
    if (!conflict.changed()) {
      return then.failing(state, state.failure());
    }
    then.tell(new Happening.Asks(ASKED));
    return state.asking(
        Optional.of(new PageState.Asking(ASKED, again, Optional.of(conflict.call()))));
  }

  private List<Input> inputs(CallId changing) {
    Set<PartId> filling = new HashSet<>();
    page.call(changing).stream()
        .flatMap(call -> call.parameters().stream())
        .forEach(
            parameter -> {
              if (parameter.mapping().source() instanceof Source.Entered entered) {
                filling.add(entered.input());
              }
            });
    return page.inputs().filter(input -> filling.contains(input.id())).toList();
  }

  /** Forgets what was typed for a call, so that its inputs show what is there now. */
  PageState forget(PageState state, CallId changing) {
    return state
        .withoutInputs(inputs(changing).stream().map(Input::id).toList())
        .saying(new PageState.Message(false, TAKEN));
  }

  /** What was typed for a call and differs from what is there now. */
  public List<Difference> differences(
      CallId changing, PageState state, Scope scope, Formats formats) {
    return inputs(changing).stream()
        .filter(input -> state.inputs().containsKey(input.id()))
        .map(
            input -> {
              InputLook look = plan.inputs().get(input.id());
              SlotId start = new SlotId.OfPart(page.id(), input.id(), Input.START);
              return new Difference(
                  input.id(),
                  look.look().heading(),
                  shown(state.inputs().get(input.id()), look.look(), formats),
                  shown(plan.plan().value(start, scope), look.look(), formats));
            })
        .filter(one -> !one.mine().equals(one.theirs()))
        .toList();
  }

  private static String shown(Value value, Look look, Formats formats) {
    return StateScope.isEmpty(value) ? "" : formats.show(value, look);
  }
}
