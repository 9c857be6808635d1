package org.mapsel.core.page;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;

/**
 * When something happens on a page, these steps in order; the first that fails ends them.
 *
 * @param condition whether anything is done; always if nothing fills it
 * @param failure what is done when a step fails; without any, what the service said is told
 */
public record Reaction(
    ReactionId id,
    Trigger when,
    Optional<Mapping> condition,
    List<Step> steps,
    List<Step> failure) {

  /** The slot for a condition, of a reaction or of one step. */
  public static final String CONDITION = "if";

  public Reaction {
    steps = List.copyOf(steps);
    failure = List.copyOf(failure);
  }

  public static Reaction of(ReactionId id, Trigger when, List<Step> steps) {
    return new Reaction(id, when, Optional.empty(), steps, List.of());
  }

  /** What is done. */
  public record Step(PartId id, Action action, Map<String, Mapping> slots) {
    public Step {
      slots = Collections.unmodifiableMap(new LinkedHashMap<>(slots));
    }

    public static Step of(PartId id, Action action) {
      return new Step(id, action, Map.of());
    }

    public Step with(Action other) {
      return new Step(id, other, slots);
    }

    /** The step with a slot filled, or emptied. */
    public Step with(String name, Optional<Mapping> mapping) {
      Map<String, Mapping> changed = new LinkedHashMap<>(slots);
      mapping.ifPresentOrElse(filled -> changed.put(name, filled), () -> changed.remove(name));
      return new Step(id, action, changed);
    }

    public boolean calls(CallId call) {
      return action.equals(new Action.MakeCall(call));
    }
  }

  /** What owns the slot for the condition. */
  public PartId owner() {
    return new PartId(id.text());
  }

  /** All steps, those for failures last. */
  public Stream<Step> all() {
    return Stream.concat(steps.stream(), failure.stream());
  }

  public boolean calls(CallId call) {
    return all().anyMatch(step -> step.calls(call));
  }

  /** The reaction without some steps. */
  public Reaction without(Predicate<Step> gone) {
    return with(
        steps.stream().filter(gone.negate()).toList(),
        failure.stream().filter(gone.negate()).toList());
  }

  public Reaction with(List<Step> otherSteps, List<Step> otherFailure) {
    return new Reaction(id, when, condition, otherSteps, otherFailure);
  }

  public Reaction with(Trigger other) {
    return new Reaction(id, other, condition, steps, failure);
  }

  public Reaction withCondition(Optional<Mapping> other) {
    return new Reaction(id, when, other, steps, failure);
  }

  /** The reaction with one step in place of the one with its id. */
  public Reaction with(Step step) {
    return with(replaced(steps, step), replaced(failure, step));
  }

  private static List<Step> replaced(List<Step> steps, Step step) {
    return steps.stream().map(known -> known.id().equals(step.id()) ? step : known).toList();
  }
}
