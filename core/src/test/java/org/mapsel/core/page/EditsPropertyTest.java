package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.edit.AddButton;
import org.mapsel.core.page.edit.AddCall;
import org.mapsel.core.page.edit.AddGroup;
import org.mapsel.core.page.edit.AddPage;
import org.mapsel.core.page.edit.AddReaction;
import org.mapsel.core.page.edit.AddStep;
import org.mapsel.core.page.edit.AddText;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.AppEditor;
import org.mapsel.core.page.edit.CallOnOpening;
import org.mapsel.core.page.edit.ChooseInside;
import org.mapsel.core.page.edit.CopyPage;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.MoveItem;
import org.mapsel.core.page.edit.MovePart;
import org.mapsel.core.page.edit.MoveStep;
import org.mapsel.core.page.edit.PassArgument;
import org.mapsel.core.page.edit.RemoveCall;
import org.mapsel.core.page.edit.RemoveItem;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.RemoveReaction;
import org.mapsel.core.page.edit.RemoveStep;
import org.mapsel.core.page.edit.RenamePage;
import org.mapsel.core.page.edit.SetAction;
import org.mapsel.core.page.edit.SetFrame;
import org.mapsel.core.page.edit.SetGroupWay;
import org.mapsel.core.page.edit.SetOnlyHere;
import org.mapsel.core.page.edit.SetTotal;
import org.mapsel.core.page.edit.ShowField;
import org.mapsel.core.page.edit.TurnInto;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageRunner;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import tools.jackson.databind.json.JsonMapper;

/**
 * Any edits one after the other: each gives an app that can be stored, checked, drawn and used, and
 * one that was refused changes nothing.
 */
class EditsPropertyTest {

  private static final int EDITS = 120;
  private static final List<String> OPERATIONS = List.of("FindJobs", "PlanJob");

  /** Picks edits at random, with a seed that says which. */
  private static final class Monkey {
    private final Random random;
    private final PageBench bench = new PageBench().with("dredging", "/descriptions/dredging.wsdl");

    Monkey(int seed) {
      random = new Random(seed);
    }

    private <T> Optional<T> any(List<T> things) {
      return things.isEmpty()
          ? Optional.empty()
          : Optional.of(things.get(random.nextInt(things.size())));
    }

    private AppEdit start() {
      OperationId operation = new OperationId(any(OPERATIONS).orElseThrow());
      return new AddPage("dredging", "dredging", operation, new EndpointId("Soap11"), List.of());
    }

    AppEdit edit() {
      Optional<Page> page = any(bench.app().pages());
      if (page.isEmpty() || random.nextInt(12) == 0) {
        return start();
      }
      PageId id = page.get().id();
      Optional<Call> call = any(page.get().calls());
      Optional<Part> part = any(page.get().parts());
      Optional<Page.Inside> item = any(page.get().items().toList());
      Optional<Slot> slot = any(page.get().slots());
      int by = random.nextInt(5) - 2;
      return switch (random.nextInt(33)) {
        case 0 -> new RenamePage(id, "Page " + random.nextInt());
        case 1 -> new AddText(id, "Words");
        case 2 -> part.<AppEdit>map(one -> new MovePart(id, one.id(), by)).orElseGet(this::start);
        case 3 -> part.<AppEdit>map(one -> new RemovePart(id, one.id())).orElseGet(this::start);
        case 4 ->
            item.<AppEdit>map(one -> new MoveItem(id, one.item().id(), by)).orElseGet(this::start);
        case 5 ->
            item.<AppEdit>map(one -> new RemoveItem(id, one.item().id())).orElseGet(this::start);
        case 6 ->
            item.<AppEdit>map(
                    one ->
                        new SetOnlyHere(
                            id, one.item().id(), Overrides.labelled("L" + random.nextInt(9))))
                .orElseGet(this::start);
        case 7 -> call.<AppEdit>map(one -> new RemoveCall(id, one.id())).orElseGet(this::start);
        case 8 ->
            call.<AppEdit>map(one -> new CallOnOpening(id, one.id(), random.nextBoolean()))
                .orElseGet(this::start);
        case 9, 10 ->
            call.<AppEdit>map(
                    one ->
                        new UseField(
                            id, one.id(), returned(one), Optional.empty(), random.nextBoolean()))
                .orElseGet(this::start);
        case 11, 12 ->
            slot.<AppEdit>map(one -> new FillSlot(one.id(), Optional.of(source(page.get()))))
                .orElseGet(this::start);
        case 13 ->
            slot.<AppEdit>map(one -> new FillSlot(one.id(), Optional.empty()))
                .orElseGet(this::start);
        case 14 ->
            part.<AppEdit>map(one -> new ShowField(id, one.id(), source(page.get())))
                .orElseGet(this::start);
        case 15 -> new AddButton(id, "Press");
        case 16 -> new CopyPage(id);
        case 17 ->
            part.<AppEdit>map(
                    one ->
                        new SetFrame(
                            id,
                            one.id(),
                            new Frame(
                                any(List.of(Frame.Width.values())).orElseThrow(),
                                new Frame.StateWords("", "wait", "none", ""),
                                random.nextBoolean(),
                                random.nextBoolean()
                                    ? Optional.empty()
                                    : Optional.of(part(page.get())))))
                .orElseGet(this::start);
        case 18 ->
            part.<AppEdit>map(
                    one ->
                        new TurnInto(
                            id, one.id(), any(List.of(TurnInto.Way.values())).orElseThrow()))
                .orElseGet(this::start);
        case 19, 20 -> new AddReaction(id, trigger(page.get()), List.of(action(page.get())));
        case 21 ->
            any(page.get().reactions())
                .<AppEdit>map(one -> new RemoveReaction(id, one.id()))
                .orElseGet(this::start);
        case 22, 23 ->
            any(page.get().reactions())
                .<AppEdit>map(
                    one -> new AddStep(id, one.id(), random.nextBoolean(), action(page.get())))
                .orElseGet(this::start);
        case 24 ->
            step(page.get())
                .<AppEdit>map(one -> new SetAction(id, one.id(), action(page.get())))
                .orElseGet(this::start);
        case 25 ->
            step(page.get())
                .<AppEdit>map(
                    one ->
                        random.nextBoolean()
                            ? new RemoveStep(id, one.id())
                            : new MoveStep(id, one.id(), by))
                .orElseGet(this::start);
        case 26 ->
            step(page.get())
                .<AppEdit>map(
                    one ->
                        random.nextBoolean()
                            ? new PassArgument(id, one.id(), Optional.empty(), source(page.get()))
                            : new FillSlot(
                                new SlotId.OfPart(
                                    id,
                                    one.id(),
                                    any(List.of("if", "words", "value")).orElseThrow()),
                                Optional.of(source(page.get()))))
                .orElseGet(this::start);
        case 27 -> new AddGroup(id, "Group");
        case 28 ->
            part.<AppEdit>map(
                    one ->
                        new SetGroupWay(
                            id, one.id(), any(List.of(Part.Group.Way.values())).orElseThrow()))
                .orElseGet(this::start);
        case 29 ->
            item.<AppEdit>map(
                    one -> new SetTotal(id, one.item().id(), any(List.of(Shown.Total.values()))))
                .orElseGet(this::start);
        case 30 ->
            item.<AppEdit>map(
                    one -> new ChooseInside(id, one.item().id(), List.of("number", "gone")))
                .orElseGet(this::start);
        case 31 ->
            call.<AppEdit>map(one -> new FillFromInput(id, one.id(), FieldPath.of("job", "group")))
                .orElseGet(this::start);
        default ->
            call.<AppEdit>map(
                    one ->
                        new AddCall(
                            id, "dredging", "dredging", one.operation(), one.endpoint(), List.of()))
                .orElseGet(this::start);
      };
    }

    private Optional<Reaction.Step> step(Page page) {
      return any(page.reactions().stream().flatMap(Reaction::all).toList());
    }

    private PartId part(Page page) {
      return any(page.parts()).map(Part::id).orElse(new PartId("gone"));
    }

    private PartId input(Page page) {
      return any(page.inputs().toList()).map(Input::id).orElse(new PartId("gone"));
    }

    private CallId call(Page page) {
      return any(page.calls()).map(Call::id).orElse(new CallId("gone"));
    }

    private Trigger trigger(Page page) {
      return switch (random.nextInt(7)) {
        case 0 -> new Trigger.Opened();
        case 1 -> new Trigger.CameBack();
        case 2 -> new Trigger.Changed(input(page));
        case 3 -> new Trigger.RowChosen(part(page));
        case 4 -> new Trigger.Every(random.nextInt(20));
        case 5 -> new Trigger.Answered(call(page));
        default -> new Trigger.Pressed(part(page));
      };
    }

    private Action action(Page page) {
      return switch (random.nextInt(9)) {
        case 0 -> new Action.SetInput(input(page));
        case 1 -> new Action.Clear(part(page));
        case 2 -> new Action.Say();
        case 3 -> new Action.Ask();
        case 4 -> new Action.GoTo(any(bench.app().pages()).orElseThrow().id(), Set.of());
        case 5 -> new Action.GoBack();
        case 6 -> new Action.OpenAddress();
        case 7 -> new Action.Stop();
        default -> new Action.MakeCall(call(page));
      };
    }

    private FieldPath returned(Call call) {
      Operation operation =
          Descriptions.operation(bench.service("dredging"), call.operation().text());
      return any(FieldTree.rows(
              bench.service("dredging").shapes(), operation.output(), FieldTree.Limit.SCREEN))
          .map(FieldTree.Row::path)
          .orElse(FieldPath.of("nowhere"));
    }

    private Source source(Page page) {
      Optional<Call> call = any(page.calls());
      Optional<Part> part = any(page.parts());
      Optional<Input> input = any(page.inputs().toList());
      return switch (random.nextInt(7)) {
        case 0 -> new Source.Fixed(any(List.of("", "7", "2031-05-14", "x")).orElseThrow());
        case 1 -> new Source.Run(any(List.of(Source.Run.What.values())).orElseThrow());
        case 2 ->
            new Source.Formula(any(List.of("1 + 1", "day(now)", "nothing", "(")).orElseThrow());
        case 3 ->
            input
                .<Source>map(one -> new Source.Entered(one.id()))
                .orElse(new Source.Entered(new PartId("gone")));
        case 4 ->
            part.<Source>map(one -> new Source.Chosen(one.id(), FieldPath.of("number")))
                .orElse(new Source.Fixed("y"));
        case 5 -> new Source.Row(FieldPath.of("depth"));
        default ->
            call.<Source>map(one -> new Source.Returned(one.id(), returned(one)))
                .orElse(new Source.Fixed("z"));
      };
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
  void everyAppCanBeStoredCheckedDrawnAndUsed(int seed) {
    Monkey monkey = new Monkey(seed);
    PageBench bench = monkey.bench;
    AppEditor editor = new AppEditor(bench.lookup());
    List<App> history = new ArrayList<>();
    Set<String> given = new HashSet<>();
    int made = 0;
    for (int i = 0; i < EDITS; i++) {
      AppEdit edit = monkey.edit();
      App before = bench.app();
      Outcome<App> outcome = editor.apply(before, edit);
      if (outcome.value().isEmpty()) {
        assertThat(outcome.findings()).as("%s of seed %s", edit, seed).isNotEmpty();
        continue;
      }
      made++;
      history.add(before);
      App after = outcome.get();
      bench.app(after);
      newIds(before, after).forEach(id -> assertThat(given.add(id)).as("%s is new", id).isTrue());
      assertThat(AppFile.read(new JsonMapper().readTree(AppFile.write(after).toString())).get())
          .isEqualTo(after);
      assertThat(before).as("no edit touches what was").isEqualTo(history.getLast());
      use(bench);
    }
    assertThat(made).as("enough of them were made").isGreaterThan(EDITS / 3);
  }

  private static Set<String> newIds(App before, App after) {
    Set<String> ids = ids(after);
    ids.removeAll(ids(before));
    return ids;
  }

  private static Set<String> ids(App app) {
    Set<String> ids = new HashSet<>();
    for (Page page : app.pages()) {
      ids.add(page.id().text());
      page.parts().forEach(part -> ids.add(part.id().text()));
      page.items().forEach(inside -> ids.add(inside.item().id().text()));
      page.calls().forEach(call -> ids.add(call.id().text()));
      page.reactions().forEach(reaction -> ids.add(reaction.id().text()));
      page.reactions().stream().flatMap(Reaction::all).forEach(step -> ids.add(step.id().text()));
    }
    return ids;
  }

  /** Draws each page, presses its buttons and lets everything be answered with made-up values. */
  private static void use(PageBench bench) {
    Service service = bench.service("dredging");
    for (Page page : bench.app().pages()) {
      PagePlan plan = bench.check().pages().get(page.id()).plan();
      PageRunner runner = new PageRunner(plan, new Formats(Locale.UK), PageBench.NOW);
      List<PageEvent> events = new ArrayList<>(List.of(PageEvent.Opened.ALONE));
      page.parts().forEach(part -> events.add(new PageEvent.Pressed(part.id())));
      page.parts().forEach(part -> events.add(new PageEvent.RowChosen(part.id(), 0)));
      page.parts()
          .forEach(
              part ->
                  events.add(
                      new PageEvent.Arranged(
                          part.id(),
                          new PageState.Arrangement(
                              part.items().stream().map(item -> item.id()).findFirst(),
                              true,
                              "a"))));
      events.add(new PageEvent.CameBack());
      events.add(new PageEvent.Replied(true));
      PageState state = PageState.EMPTY;
      for (int i = 0; i < events.size() && i < 60; i++) {
        PageRunner.Stepped stepped = runner.step(state, events.get(i));
        state = stepped.state();
        for (PageEffect effect : stepped.effects()) {
          if (effect instanceof PageEffect.RunCall run) {
            Operation operation =
                service.getOperation(page.call(run.call()).orElseThrow().operation());
            RecordValue answer =
                SampleMaker.make(
                    service.shapes(), operation.output(), SampleMaker.Extent.EVERYTHING);
            events.add(new PageEvent.Answered(run, answer, ""));
          }
        }
      }
      assertThat(
              new PageViews(plan, state, new Formats(Locale.UK), PageBench.NOW, true)
                  .page()
                  .parts())
          .as("buttons in rows are drawn there")
          .hasSameSizeAs(
              page.parts().stream().filter(part -> page.rowsAround(part).isEmpty()).toList());
    }
  }
}
