package org.mapsel.server.apps;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.server.apps.BenchViews.ReactionView;
import org.mapsel.server.apps.BenchViews.StepView;

/** What happens on a page, told so that it can be read as sentences and changed word by word. */
final class BenchReactions {

  private final BenchPage known;

  BenchReactions(BenchPage known) {
    this.known = known;
  }

  List<ReactionView> all() {
    return known.page().reactions().stream().map(this::of).toList();
  }

  private ReactionView of(Reaction reaction) {
    return new ReactionView(
        reaction.id(),
        reaction.when(),
        words(reaction.when()),
        known.slot(reaction.owner(), Reaction.CONDITION),
        reaction.steps().stream().map(this::of).toList(),
        reaction.failure().stream().map(this::of).toList());
  }

  /** The thing that a reaction waits for, by its name; empty if it waits for nothing with one. */
  private String words(Trigger when) {
    return switch (when) {
      case Trigger.Pressed pressed -> part(pressed.button());
      case Trigger.RowChosen chosen -> part(chosen.part());
      case Trigger.Changed changed -> item(changed.input());
      case Trigger.Answered answered -> call(answered.call());
      case Trigger.Opened opened -> "";
      case Trigger.CameBack back -> "";
      case Trigger.Every every -> "";
    };
  }

  private String part(PartId id) {
    return known.page().part(id).map(known::nameOf).orElse("something that is gone");
  }

  private String item(PartId id) {
    return known
        .page()
        .item(id)
        .map(inside -> known.nameOf(inside.item()))
        .orElse("something that is gone");
  }

  private String call(CallId id) {
    return known.page().call(id).map(known::nameOf).orElse("a call that is gone");
  }

  private StepView of(Reaction.Step step) {
    return new StepView(
        step.id(),
        step.action(),
        words(step.action()),
        known.slot(step.id(), Reaction.CONDITION),
        slots(step.action()).stream().map(name -> known.slot(step.id(), name)).toList(),
        fills(step.action()));
  }

  private String words(Action action) {
    return switch (action) {
      case Action.MakeCall make -> call(make.call());
      case Action.SetInput set -> item(set.input());
      case Action.Clear clear -> part(clear.form());
      case Action.GoTo go ->
          known.app().find(go.page()).map(Page::name).orElse("a page that is gone");
      case Action.Say say -> "";
      case Action.Ask ask -> "";
      case Action.GoBack back -> "";
      case Action.OpenAddress open -> "";
      case Action.Stop stop -> "";
    };
  }

  /** Also those that the page gone to needs and nobody fills yet. */
  private Set<String> slots(Action action) {
    Set<String> names = new LinkedHashSet<>(action.slotNames());
    if (action instanceof Action.GoTo go) {
      known.app().find(go.page()).stream()
          .flatMap(page -> page.arguments().stream())
          .map(Argument::name)
          .forEach(names::add);
    }
    return names;
  }

  /** The parts that show what a call answers. */
  private List<String> fills(Action action) {
    return action instanceof Action.MakeCall make
        ? known.page().parts().stream()
            .filter(part -> shows(part, make.call()))
            .map(known::nameOf)
            .toList()
        : List.of();
  }

  private boolean shows(Part part, CallId call) {
    return part.showsFields()
        && known.page().slots().stream()
            .filter(
                slot ->
                    slot.id() instanceof SlotId.OfPart one
                        && (one.owner().equals(part.id())
                            || part.items().stream()
                                .anyMatch(item -> item.id().equals(one.owner()))))
            .anyMatch(slot -> Sources.isFrom(slot.mapping().source(), call));
  }
}
