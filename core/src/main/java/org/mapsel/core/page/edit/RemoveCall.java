package org.mapsel.core.page.edit;

import java.util.LinkedHashSet;
import java.util.Set;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Removes a call from a page, with all that only it filled and the steps that made it. */
public record RemoveCall(PageId page, CallId call) implements AppEdit {

  @Override
  public String title() {
    return "Remove a call";
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    Call gone = editing.call(known, call);
    Set<PartId> buttons = buttonsOf(known);
    Page left = known.withCalls(known.calls().stream().filter(one -> one != gone).toList());
    left =
        left.withReactions(
            left.reactions().stream()
                .filter(reaction -> !reaction.when().equals(new Trigger.Answered(call)))
                .map(reaction -> reaction.without(step -> step.calls(call)))
                .filter(reaction -> !reaction.steps().isEmpty())
                .toList());
    left = Removal.withoutSlotsFrom(left, call);
    for (PartId button : buttons) {
      left = Removal.part(left, button);
    }
    Set<PartId> inputs = inputsOf(gone);
    for (PartId input : inputs) {
      left = Removal.unusedInput(left, input);
    }
    return editing.app().with(left);
  }

  /** The buttons that do nothing but make the call. */
  private Set<PartId> buttonsOf(Page known) {
    Set<PartId> buttons = new LinkedHashSet<>();
    for (Reaction reaction : known.reactions()) {
      if (reaction.when() instanceof Trigger.Pressed pressed
          && reaction.without(step -> step.calls(call)).steps().isEmpty()
          && known.reactions().stream().filter(other -> other.when().equals(pressed)).count()
              == 1) {
        buttons.add(pressed.button());
      }
    }
    return buttons;
  }

  private static Set<PartId> inputsOf(Call call) {
    Set<PartId> inputs = new LinkedHashSet<>();
    for (Call.Parameter parameter : call.parameters()) {
      if (parameter.mapping().source() instanceof Source.Entered entered) {
        inputs.add(entered.input());
      }
    }
    return inputs;
  }
}
