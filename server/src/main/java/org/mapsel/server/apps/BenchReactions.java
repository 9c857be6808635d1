package org.mapsel.server.apps;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Labels;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Argument;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.run.DryRun;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.Value;
import org.mapsel.server.apps.BenchViews.ReactionView;
import org.mapsel.server.apps.BenchViews.StepView;

/** What happens on a page, told so that it can be read as sentences and changed word by word. */
final class BenchReactions {

  /** More parameters and arguments than these tell no more. */
  private static final int MOST_VALUES = 3;

  private final BenchPage known;
  private final DryRun dryRun;
  private final Formats formats;

  /**
   * @param dryRun what reactions would do with the samples that are shown
   */
  BenchReactions(BenchPage known, DryRun dryRun, Formats formats) {
    this.known = known;
    this.dryRun = dryRun;
    this.formats = formats;
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
        reaction.failure().stream().map(this::of).toList(),
        dryRun.of(reaction).stream().map(this::words).toList());
  }

  private String words(DryRun.Happening happening) {
    return switch (happening) {
      case DryRun.Happening.Calls calls ->
          "calls " + call(calls.call()) + with(calls.parameters().toMap());
      case DryRun.Happening.Fails fails -> "which fails: " + fails.reason();
      case DryRun.Happening.Sets sets -> {
        String value = Bench.shown(formats, sets.value());
        yield value.isEmpty()
            ? "empties " + item(sets.input())
            : "puts " + value + " into " + item(sets.input());
      }
      case DryRun.Happening.Says says -> "says “" + says.words() + "”";
      case DryRun.Happening.Asks asks -> "asks “" + asks.words() + "”, and on yes";
      case DryRun.Happening.Opens opens -> "opens " + page(opens.page()) + with(opens.arguments());
      case DryRun.Happening.GoesBack back -> "goes back";
      case DryRun.Happening.OpensAddress opens -> "opens " + opens.address();
    };
  }

  /** Values by their names; of records the names alone. */
  private String with(Map<String, Value> values) {
    if (values.isEmpty()) {
      return "";
    }
    String some =
        values.entrySet().stream()
            .limit(MOST_VALUES)
            .map(
                one -> {
                  String name = Labels.of(one.getKey());
                  return ListValue.plain(one.getValue()).isPresent()
                          || one.getValue() instanceof BooleanValue
                      ? name + " " + Bench.shown(formats, one.getValue())
                      : name;
                })
            .collect(Collectors.joining(", "));
    int more = values.size() - MOST_VALUES;
    return " with " + some + (more > 0 ? " and " + more + " more" : "");
  }

  private String page(PageId id) {
    return known.app().find(id).map(Page::name).orElse("a page that is gone");
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
      case Action.GoTo go -> page(go.page());
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
