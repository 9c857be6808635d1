package org.mapsel.core.page.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Action;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.start.Asked;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;

/**
 * Lets people choose the value of an input from rows that another operation returns. The operation
 * is called when the page is opened, and again when something changes that it has to be asked with;
 * for that there are inputs before the choice, dates being today at first. Where the choice is all
 * that a call needs, choosing makes that call.
 *
 * @param edition the edition to use if the app does not use the service yet
 * @param rows the list in the answer
 * @param value the field of a row that is put in
 * @param words the field of a row that people read
 */
public record ChooseFrom(
    PageId page,
    PartId input,
    String service,
    String edition,
    OperationId operation,
    EndpointId endpoint,
    FieldPath rows,
    FieldPath value,
    FieldPath words)
    implements AppEdit {

  @Override
  public String title() {
    return "Choose a value from " + operation;
  }

  @Override
  public App apply(Editing editing) {
    Page known = editing.page(page);
    if (!(editing.item(known, input).item() instanceof Input)) {
      throw new EditRefused(Finding.error("APP_ITEM_MISSING", "item", input.text()));
    }
    App using =
        new AddCall(page, service, edition, operation, endpoint, List.of()).using(editing.app());
    Editing here = editing.after(using);
    Pinned pinned = here.callable(service, operation, endpoint);
    CallId id = new CallId(editing.ids().next("call"));
    List<Call> calls = new ArrayList<>(known.calls());
    calls.add(new Call(id, service, operation, endpoint, List.of()));
    App app = using.with(known.withCalls(calls));
    for (FieldTree.Row needed : needed(editing.after(app), pinned, id)) {
      app = asking(editing, app, id, needed);
    }
    if (isFilledAtFirst(editing.after(app), id)) {
      app = after(editing, app, new CallOnOpening(page, id, true));
    }
    app =
        after(
            editing,
            app,
            new SetOptions(
                page,
                input,
                Optional.of(new Source.Returned(id, rows)),
                Optional.of(value),
                Optional.of(words)));
    return driving(editing, app);
  }

  private static App after(Editing editing, App app, AppEdit edit) {
    return edit.apply(editing.after(app));
  }

  /** What the operation cannot be called without. */
  private List<FieldTree.Row> needed(Editing editing, Pinned pinned, CallId call) {
    Asked asked = new Asked(pinned.service(), pinned.operation());
    return editing.reach(editing.page(page)).parameters(call).values().stream()
        .filter(row -> row.shape() instanceof Shape.Scalar && row.rows().isRoot())
        .filter(row -> row.needed() && asked.isAsked(row))
        .toList();
  }

  /** With an input for a parameter, before the choice; what changes there is asked for again. */
  private App asking(Editing editing, App before, CallId call, FieldTree.Row needed) {
    App app = after(editing, before, new FillFromInput(page, call, needed.path()));
    Page asking = app.find(page).orElseThrow();
    PartId made =
        ((Source.Entered)
                asking
                    .mapping(new SlotId.OfParameter(page, call, needed.path()))
                    .orElseThrow()
                    .source())
            .input();
    app = app.with(beforeChoice(asking, made));
    if (needed.shape() instanceof Shape.Scalar scalar && scalar.type() == ScalarType.DATE) {
      app =
          after(
              editing,
              app,
              new FillSlot(
                  new SlotId.OfPart(page, made, Input.START),
                  Optional.of(new Source.Run(Source.Run.What.TODAY))));
    }
    return after(
        editing,
        app,
        new AddReaction(page, new Trigger.Changed(made), List.of(new Action.MakeCall(call))));
  }

  private Page beforeChoice(Page asking, PartId made) {
    Page.Inside choice = asking.item(input).orElseThrow();
    Page.Inside asked = asking.item(made).orElseThrow();
    if (!choice.part().id().equals(asked.part().id())) {
      return asking;
    }
    List<Item> items = new ArrayList<>(choice.part().items());
    items.remove(asked.item());
    items.add(items.indexOf(choice.item()), asked.item());
    return asking.with(choice.part().withItems(items));
  }

  /** Whether everything that is asked for has a value before anybody types. */
  private boolean isFilledAtFirst(Editing editing, CallId call) {
    Page known = editing.page(page);
    return editing.call(known, call).parameters().stream()
        .map(parameter -> parameter.mapping().source())
        .filter(Source.Entered.class::isInstance)
        .map(source -> known.item(((Source.Entered) source).input()).orElseThrow().item())
        .allMatch(item -> item.mapping().isPresent());
  }

  /** With what makes the calls that need nothing but what is chosen. */
  private App driving(Editing editing, App app) {
    Page known = app.find(page).orElseThrow();
    boolean driven =
        known.reactions().stream().anyMatch(one -> one.when().equals(new Trigger.Changed(input)));
    if (driven) {
      return app;
    }
    List<Action> calls =
        known.calls().stream()
            .filter(call -> asks(call).equals(Set.of(input)))
            .map(call -> (Action) new Action.MakeCall(call.id()))
            .toList();
    return calls.isEmpty()
        ? app
        : after(editing, app, new AddReaction(page, new Trigger.Changed(input), calls));
  }

  /** The inputs that a call takes values from. */
  private static Set<PartId> asks(Call call) {
    Set<PartId> inputs = new HashSet<>();
    for (Call.Parameter parameter : call.parameters()) {
      if (parameter.mapping().source() instanceof Source.Entered entered) {
        inputs.add(entered.input());
      }
    }
    return inputs;
  }
}
