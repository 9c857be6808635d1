package org.mapsel.core.page;

import java.util.List;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;

/** When something happens on a page, these steps in order; the first that fails ends them. */
public record Reaction(ReactionId id, Trigger when, List<Step> steps) {

  public Reaction {
    steps = List.copyOf(steps);
  }

  /** The reaction without the steps that make a call. */
  public Reaction without(CallId call) {
    return new Reaction(
        id, when, steps.stream().filter(step -> !step.equals(new Step.MakeCall(call))).toList());
  }

  /** What happens. */
  public sealed interface Trigger {

    /** The page is opened. */
    record Opened() implements Trigger {}

    /** A button is pressed. */
    record Pressed(PartId button) implements Trigger {}
  }

  /** What is done. */
  public sealed interface Step {

    /** Makes a call; whatever shows what it answers is drawn anew. */
    record MakeCall(CallId call) implements Step {}
  }
}
