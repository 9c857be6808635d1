package org.mapsel.core.page.edit;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Ids;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.page.Shown;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;

/** Copies pages; everything in a copy has a new id, and points at what is in the copy. */
final class PageCopy {

  private static final Pattern NUMBERED = Pattern.compile("_\\d+$");

  private final Ids ids;
  private final Map<PartId, PartId> owners = new HashMap<>();
  private final Map<CallId, CallId> calls = new HashMap<>();

  PageCopy(Ids ids) {
    this.ids = ids;
  }

  Page of(Page page, String name) {
    page.parts()
        .forEach(
            part -> {
              owners.put(part.id(), next(part.id()));
              part.items().forEach(item -> owners.put(item.id(), next(item.id())));
            });
    page.calls()
        .forEach(call -> calls.put(call.id(), new CallId(ids.next(bare(call.id().text())))));
    return new Page(
        new PageId(ids.next("page")),
        name,
        page.arguments(),
        page.parts().stream().map(this::part).toList(),
        page.calls().stream().map(this::call).toList(),
        page.reactions().stream().map(this::reaction).toList());
  }

  private static String bare(String id) {
    return NUMBERED.matcher(id).replaceFirst("");
  }

  private PartId next(PartId id) {
    return new PartId(ids.next(bare(id.text())));
  }

  private PartId owner(PartId id) {
    return owners.getOrDefault(id, id);
  }

  private CallId call(CallId id) {
    return calls.getOrDefault(id, id);
  }

  private Part part(Part part) {
    Part.Base base =
        new Part.Base(
            owner(part.id()),
            mappings(part.slots()),
            part.frame().within(part.frame().within().map(this::owner)));
    return part.with(base).withItems(part.items().stream().map(this::item).toList());
  }

  private Item item(Item item) {
    return switch (item) {
      case Input input ->
          new Input(
              owner(input.id()),
              input.only(),
              input.start().map(this::mapping),
              input.kind(),
              input
                  .options()
                  .map(one -> new Input.Options(mapping(one.rows()), one.value(), one.words())));
      case Shown shown ->
          new Shown(
              owner(shown.id()),
              shown.only(),
              shown.value().map(this::mapping),
              shown.total(),
              shown.inside());
    };
  }

  private Call call(Call call) {
    return new Call(
        call(call.id()),
        call.service(),
        call.operation(),
        call.endpoint(),
        call.parameters().stream()
            .map(one -> new Call.Parameter(one.path(), mapping(one.mapping())))
            .toList());
  }

  private Reaction reaction(Reaction reaction) {
    return new Reaction(
        new ReactionId(ids.next(bare(reaction.id().text()))),
        trigger(reaction.when()),
        reaction.condition().map(this::mapping),
        reaction.steps().stream().map(this::step).toList(),
        reaction.failure().stream().map(this::step).toList());
  }

  private Trigger trigger(Trigger when) {
    return switch (when) {
      case Trigger.Pressed pressed -> new Trigger.Pressed(owner(pressed.button()));
      case Trigger.Changed changed -> new Trigger.Changed(owner(changed.input()));
      case Trigger.RowChosen chosen -> new Trigger.RowChosen(owner(chosen.part()));
      case Trigger.Answered answered -> new Trigger.Answered(call(answered.call()));
      case Trigger.Opened opened -> opened;
      case Trigger.CameBack back -> back;
      case Trigger.Every every -> every;
    };
  }

  private Reaction.Step step(Reaction.Step step) {
    Action action =
        switch (step.action()) {
          case Action.MakeCall make -> new Action.MakeCall(call(make.call()));
          case Action.SetInput set -> new Action.SetInput(owner(set.input()));
          case Action.Clear clear -> new Action.Clear(owner(clear.form()));
          default -> step.action();
        };
    return new Reaction.Step(next(step.id()), action, mappings(step.slots()));
  }

  private Map<String, Mapping> mappings(Map<String, Mapping> slots) {
    Map<String, Mapping> copied = new LinkedHashMap<>();
    slots.forEach((name, mapping) -> copied.put(name, mapping(mapping)));
    return copied;
  }

  private Mapping mapping(Mapping mapping) {
    return mapping.with(source(mapping.source()));
  }

  private Source source(Source source) {
    return switch (source) {
      case Source.Entered entered -> new Source.Entered(owner(entered.input()));
      case Source.Chosen chosen -> new Source.Chosen(owner(chosen.part()), chosen.path());
      case Source.Returned returned -> new Source.Returned(call(returned.call()), returned.path());
      case Source.Derived derived -> new Source.Derived(source(derived.record()), derived.field());
      case Source.Formula formula -> formula(formula);
      case Source.Fixed fixed -> fixed;
      case Source.Argument argument -> argument;
      case Source.Row row -> row;
      case Source.Run run -> run;
    };
  }

  /** Formulas name things by their ids where those are not unmistakable without their number. */
  private Source formula(Source.Formula formula) {
    String text = formula.text();
    for (Map.Entry<PartId, PartId> owner : owners.entrySet()) {
      text = text.replace(owner.getKey().text(), owner.getValue().text());
    }
    for (Map.Entry<CallId, CallId> call : calls.entrySet()) {
      text = text.replace(call.getKey().text(), call.getValue().text());
    }
    return new Source.Formula(text);
  }
}
