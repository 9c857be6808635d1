package org.mapsel.core.page;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;

/** When something happens on a page, these steps in order; the first that fails ends them. */
public record Reaction(Trigger when, List<Step> steps) {

  public Reaction {
    steps = List.copyOf(steps);
  }

  static Reaction onOpening(CallId call) {
    return new Reaction(new Trigger.Opened(), List.of(new Step.MakeCall(call)));
  }

  /** What happens. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Trigger.Opened.class, name = "opened"),
    @JsonSubTypes.Type(value = Trigger.Pressed.class, name = "pressed")
  })
  public sealed interface Trigger {

    /** The page is opened. */
    record Opened() implements Trigger {}

    /** A button is pressed. */
    record Pressed(PartId button) implements Trigger {}
  }

  /** What is done. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Step.MakeCall.class, name = "call"),
    @JsonSubTypes.Type(value = Step.Say.class, name = "say")
  })
  public sealed interface Step {

    /** Makes a call and fills the parts it is mapped to. */
    record MakeCall(CallId call) implements Step {}

    /** Shows a message. */
    record Say(String text) implements Step {}
  }
}
