package org.mapsel.server.apps;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.run.DryRun;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.server.apps.BenchViews.ReactionView;
import org.mapsel.server.apps.BenchViews.StepView;

/** What happens on a page, told so that it can be read as sentences and changed word by word. */
final class BenchReactions {

  private final BenchPage known;
  private final DryRun dryRun;
  private final HappeningWords happenings;

  /**
   * @param dryRun what reactions would do with the samples that are shown
   * @param formats how values are written
   */
  BenchReactions(BenchPage known, DryRun dryRun, Formats formats) {
    this.known = known;
    this.dryRun = dryRun;
    this.happenings = new HappeningWords(known.told(), formats);
  }

  List<ReactionView> all() {
    return known.page().reactions().stream().map(this::of).toList();
  }

  private ReactionView of(Reaction reaction) {
    return new ReactionView(
        reaction.id(),
        reaction.when(),
        known.told().words(reaction.when()),
        known.slot(reaction.owner(), Reaction.CONDITION),
        reaction.steps().stream().map(this::of).toList(),
        reaction.failure().stream().map(this::of).toList(),
        dryRun.of(reaction).stream().map(happenings::of).toList());
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
      case Action.MakeCall make -> known.told().call(make.call());
      case Action.SetInput set -> known.told().item(set.input());
      case Action.Clear clear -> known.told().part(clear.form());
      case Action.GoTo go -> known.told().page(go.page());
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
            .map(known.told()::nameOf)
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
