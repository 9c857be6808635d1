package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Choice;
import org.mapsel.core.model.Formats;
import org.mapsel.core.page.edit.AddButton;
import org.mapsel.core.page.edit.AddEmptyPage;
import org.mapsel.core.page.edit.AddReaction;
import org.mapsel.core.page.edit.AddStep;
import org.mapsel.core.page.edit.CopyPage;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.PassArgument;
import org.mapsel.core.page.edit.RemovePage;
import org.mapsel.core.page.edit.RemoveStep;
import org.mapsel.core.page.edit.SetOptions;
import org.mapsel.core.page.offer.Offer;
import org.mapsel.core.page.offer.SourceOffers;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.DryRun;
import org.mapsel.core.page.run.Happening;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.run.StateScope;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What pages do when something happens. */
class ReactionsTest {

  private static final FieldPath NUMBER = FieldPath.of("job", "number");

  private static PageBench jobs() {
    return new PageBench()
        .with("dredging", "/descriptions/dredging.wsdl")
        .start("dredging", "FindJobs", NUMBER);
  }

  private static RecordValue answer(String... numbers) {
    return RecordValue.of(
        Map.of(
            "job",
            new ListValue(
                Arrays.stream(numbers)
                    .<Value>map(one -> RecordValue.of(Map.of("number", Value.text(one))))
                    .toList())));
  }

  private static Reaction last(PageBench bench) {
    return bench.page().reactions().getLast();
  }

  private static PageBench fill(PageBench bench, Reaction.Step step, String slot, Source source) {
    return bench.edit(
        new FillSlot(new SlotId.OfPart(bench.page().id(), step.id(), slot), Optional.of(source)));
  }

  private static List<String> said(PageBench bench) {
    return bench.view().messages().stream().map(PageView.MessageView::text).toList();
  }

  /** Its button calls, says how many there are, asks, and opens a chart. */
  private static PageBench asking() {
    PageBench bench = jobs();
    PageId page = bench.page().id();
    ReactionId pressed = last(bench).id();
    bench
        .edit(new AddStep(page, pressed, false, new Action.Say()))
        .edit(new AddStep(page, pressed, false, new Action.Ask()))
        .edit(new AddStep(page, pressed, false, new Action.OpenAddress()));
    List<Reaction.Step> steps = last(bench).steps();
    fill(
        bench,
        steps.get(1),
        Action.WORDS,
        new Source.Formula("string(size(FindJobs.job)) + ' jobs'"));
    fill(bench, steps.get(2), Action.WORDS, new Source.Fixed("Open the chart?"));
    fill(bench, steps.get(3), Action.ADDRESS, new Source.Fixed("https://saltmere.example/chart"));
    return bench;
  }

  @Test
  void aButtonCallsSaysAndStopsAtAQuestion() {
    PageBench bench = asking();
    assertThat(bench.findings()).isEmpty();

    PageEffect.RunCall call = (PageEffect.RunCall) bench.press().getFirst();
    assertThat(bench.step(new PageEvent.Answered(call, answer("J-1", "J-2"), "x1"))).isEmpty();
    assertThat(said(bench)).containsExactly("2 jobs");
    assertThat(bench.view().asking())
        .contains(new PageView.AskingView("Open the chart?", false, List.of()));
    assertThat(bench.step(new PageEvent.Replied(true)))
        .containsExactly(new PageEffect.OpenAddress("https://saltmere.example/chart"));
    assertThat(bench.view().asking()).isEmpty();
    assertThat(bench.step(new PageEvent.Replied(true))).as("nothing is asked any more").isEmpty();
  }

  private static List<Happening> would(PageBench bench, PageState.Answer answer) {
    PageState sampled = PageState.EMPTY.with(bench.call().id(), answer);
    return new DryRun(bench.plan(), sampled, new Formats(Locale.UK), PageBench.NOW).of(last(bench));
  }

  @Test
  void whatAButtonWouldDoIsToldFromItsSample() {
    PageBench bench = asking();
    PageState before = bench.state();

    assertThat(would(bench, new PageState.Answer.Answered(answer("J-1", "J-2"), "x1")))
        .containsExactly(
            new Happening.Calls(bench.call().id(), RecordValue.empty()),
            new Happening.Says("2 jobs"),
            new Happening.Asks("Open the chart?"),
            new Happening.OpensAddress("https://saltmere.example/chart"));
    assertThat(would(bench, new PageState.Answer.Failed("The tide is out.")))
        .containsExactly(
            new Happening.Calls(bench.call().id(), RecordValue.empty()),
            new Happening.Fails(bench.call().id(), "The tide is out."),
            new Happening.Says("The tide is out."));
    assertThat(bench.state()).isEqualTo(before);

    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), last(bench).owner(), Reaction.CONDITION),
            Optional.of(new Source.Formula("basin == 'go'"))));
    assertThat(would(bench, new PageState.Answer.Failed("The tide is out."))).isEmpty();
  }

  @Test
  void addressesThatWouldRunSomethingAreNotOpened() {
    PageBench bench = jobs();
    bench.edit(
        new AddReaction(
            bench.page().id(), new Trigger.Opened(), List.of(new Action.OpenAddress())));
    fill(
        bench,
        last(bench).steps().getFirst(),
        Action.ADDRESS,
        new Source.Fixed("javascript:alert(1)"));

    assertThat(bench.step(PageEvent.Opened.ALONE)).isEmpty();
    assertThat(said(bench))
        .containsExactly("This is no address that can be opened: javascript:alert(1)");
  }

  @Test
  void aFailureHasStepsOfItsOwnWithWhatTheServiceSaid() {
    PageBench bench = jobs();
    bench.edit(new AddStep(bench.page().id(), last(bench).id(), true, new Action.Say()));
    fill(
        bench,
        last(bench).failure().getFirst(),
        Action.WORDS,
        new Source.Run(Source.Run.What.FAILURE));

    PageEffect.RunCall call = (PageEffect.RunCall) bench.press().getFirst();
    bench.step(new PageEvent.CallFailed(call, "The tide is out."));
    assertThat(bench.view().messages())
        .containsExactly(new PageView.MessageView(true, "The tide is out."));
  }

  @Test
  void conditionsDecideAndANewerRunIsNotChangedByALateAnswer() {
    PageBench bench = jobs();
    PageId page = bench.page().id();
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(page, last(bench).owner(), Reaction.CONDITION),
            Optional.of(new Source.Formula("Tag != ''"))));
    assertThat(bench.findings()).as("a formula that names nothing").contains("FORMULA_WRONG");
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(page, last(bench).owner(), Reaction.CONDITION),
            Optional.of(new Source.Formula("basin == 'go'"))));

    assertThat(bench.findings()).isEmpty();
    assertThat(bench.press()).as("the condition does not hold").isEmpty();
    bench.type("Basin", "go");
    PageEffect.RunCall older = (PageEffect.RunCall) bench.press().getFirst();
    PageEffect.RunCall newer = (PageEffect.RunCall) bench.press().getFirst();
    bench.step(new PageEvent.Answered(newer, answer("J-2"), "x2"));
    bench.step(new PageEvent.Answered(older, answer("J-1"), "x1"));
    assertThat(bench.cells()).containsExactly(List.of("J-2"));
  }

  @Test
  void callsThatDoNotNeedEachOtherGoOutTogether() {
    PageBench bench = jobs();
    PageId page = bench.page().id();
    bench.add("dredging", "FindJobs", FieldPath.of("job", "depth"));
    List<CallId> calls = bench.page().calls().stream().map(Call::id).toList();
    bench.edit(
        new AddReaction(
            page,
            new Trigger.Every(30),
            List.of(
                new Action.MakeCall(calls.get(0)),
                new Action.MakeCall(calls.get(1)),
                new Action.Say())));
    fill(bench, last(bench).steps().getLast(), Action.WORDS, new Source.Fixed("Read again"));

    assertThat(bench.view().every()).containsExactly(30);
    assertThat(bench.step(new PageEvent.Passed(31))).as("what no reaction waits for").isEmpty();
    List<PageEffect> both = bench.step(new PageEvent.Passed(30));
    assertThat(both).hasSize(2);
    bench.step(new PageEvent.Answered((PageEffect.RunCall) both.get(1), answer("J-1"), "x1"));
    assertThat(said(bench)).as("one is not back yet").isEmpty();
    bench.step(new PageEvent.Answered((PageEffect.RunCall) both.get(0), answer("J-1"), "x2"));
    assertThat(said(bench)).containsExactly("Read again");

    bench.edit(
        new FillSlot(
            bench.parameter("tag"), Optional.of(new Source.Returned(calls.getFirst(), NUMBER))));
    assertThat(bench.step(new PageEvent.Passed(30))).as("the second needs the first").hasSize(1);
  }

  @Test
  void aChangedValueSetsAnotherAndClearingLetsTheStartShowAgain() {
    PageBench bench = jobs();
    PageId page = bench.page().id();
    PartId tag = bench.item("Tag").id();
    PartId basin = bench.item("Basin").id();
    bench
        .edit(new AddReaction(page, new Trigger.Changed(tag), List.of(new Action.SetInput(basin))))
        .edit(new AddButton(page, "Empty"));
    assertThat(bench.findings()).contains("PAGE_BUTTON_IDLE");
    bench.edit(
        new AddStep(
            page, last(bench).id(), false, new Action.Clear(bench.part(Part.Form.class).id())));
    fill(
        bench,
        bench.page().reactions().get(1).steps().getFirst(),
        Action.VALUE,
        new Source.Entered(tag));

    assertThat(bench.type("Tag", "inner").state().inputs())
        .containsEntry(basin, Value.text("inner"));
    bench.press();
    assertThat(bench.state().inputs()).isEmpty();
  }

  @Test
  void aChosenRowIsHandedToAnotherPageWhichSaysWhatItLacksWithoutIt() {
    PageBench bench = jobs();
    PageId list = bench.page().id();
    PartId table = bench.part(Part.Table.class).id();
    bench.edit(new AddEmptyPage("Job"));
    PageId record = bench.page().id();
    bench.on("Find jobs");
    bench.edit(
        new AddReaction(
            list, new Trigger.RowChosen(table), List.of(new Action.GoTo(record, Set.of()))));
    SlotId handing = new SlotId.OfPart(list, last(bench).steps().getFirst().id(), "job");
    assertThat(
            new SourceOffers(
                    bench.app(),
                    bench.plan(),
                    new PageReach(bench.app(), bench.page(), bench.lookup()),
                    new StateScope(bench.page(), bench.plan().plan(), bench.state(), PageBench.NOW))
                .of(handing, "").stream().map(Offer::source))
        .as("a row as a whole can be handed on")
        .contains(new Source.Chosen(table, FieldPath.ROOT));
    bench.edit(
        new PassArgument(
            list,
            last(bench).steps().getFirst().id(),
            Optional.empty(),
            new Source.Chosen(table, FieldPath.ROOT)));
    String name = bench.app().find(record).orElseThrow().arguments().getFirst().name();
    assertThat(name).isEqualTo("job");
    assertThat(bench.findings()).isEmpty();
    bench.edit(new AddStep(list, last(bench).id(), false, new Action.GoTo(record, Set.of())));
    assertThat(bench.findings())
        .as("a way there with nothing in hand")
        .containsExactly("PAGE_ARGUMENT_UNFILLED");
    bench.edit(new RemoveStep(list, last(bench).steps().getLast().id()));

    PageEffect.RunCall call =
        (PageEffect.RunCall)
            bench.step(new PageEvent.Pressed(bench.part(Part.Button.class).id())).getFirst();
    bench.step(new PageEvent.Answered(call, answer("J-1", "J-2"), "x1"));
    assertThat(bench.step(new PageEvent.RowChosen(table, 1)))
        .containsExactly(
            new PageEffect.GoTo(
                record,
                Map.of(name, RecordValue.of(Map.of("number", Value.text("J-2")))),
                List.of()));

    bench.on("Job");
    bench.step(PageEvent.Opened.ALONE);
    assertThat(said(bench).getFirst()).contains("Missing: Job");
    bench.edit(new RemovePage(record)).on("Find jobs");
    assertThat(bench.findings()).containsExactly("PAGE_STEP_GONE");
  }

  @Test
  void rowsAreOrderedAndFoundWithoutLosingWhichRowIsWhich() {
    PageBench bench = jobs();
    PartId table = bench.part(Part.Table.class).id();
    PartId number = bench.item("Number").id();
    bench.pressAndAnswer(answer("J-10", "K-2", "J-9"));

    bench.step(
        new PageEvent.Arranged(table, new PageState.Arrangement(Optional.of(number), true, "j-")));
    assertThat(bench.cells()).containsExactly(List.of("J-9"), List.of("J-10"));
    bench.edit(
        new FillSlot(
            bench.parameter("tag"), Optional.of(new Source.Chosen(table, FieldPath.of("number")))));
    bench.step(new PageEvent.RowChosen(table, 2));
    assertThat(((PageEffect.RunCall) bench.press().getFirst()).parameters().get("tag"))
        .isEqualTo(Value.text("J-9"));
  }

  @Test
  void aPartIsHiddenUntilItsConditionHolds() {
    PageBench bench = jobs();
    PartId table = bench.part(Part.Table.class).id();
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), table, Part.SHOWN_IF),
            Optional.of(new Source.Formula("size(FindJobs.job) > 0"))));

    assertThat(bench.parts()).noneMatch(part -> part.startsWith("table"));
    bench.pressAndAnswer(answer("J-1"));
    assertThat(bench.parts()).anyMatch(part -> part.startsWith("table"));
  }

  @Test
  void rowsOfACallAreWhatAnInputIsChosenFrom() {
    PageBench bench = jobs();
    PageId page = bench.page().id();
    CallId call = bench.call().id();
    bench.edit(
        new SetOptions(
            page,
            bench.item("Tag").id(),
            Optional.of(new Source.Returned(call, FieldPath.of("job"))),
            Optional.empty(),
            Optional.empty()));
    bench.pressAndAnswer(answer("J-1", "J-2"));

    PartView.FormView form =
        bench.view().parts().stream()
            .filter(PartView.FormView.class::isInstance)
            .map(PartView.FormView.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(form.inputs())
        .filteredOn(input -> input.label().equals("Tag"))
        .singleElement()
        .satisfies(
            input -> {
              assertThat(input.kind()).isEqualTo(Input.Kind.CHOICE);
              assertThat(input.choices()).extracting(Choice::code).containsExactly("J-1", "J-2");
            });
    assertThat(bench.plan().wanted().get(call)).contains(NUMBER);
  }

  @Test
  void aCopyOfAPageStandsByItself() {
    PageBench bench = jobs();
    Page first = bench.page();
    bench.edit(new CopyPage(first.id()));
    Page copy = bench.page();

    assertThat(copy.name()).isEqualTo("Find jobs 2");
    assertThat(copy.slots()).hasSameSizeAs(first.slots());
    bench.edit(new RemovePage(first.id()));
    assertThat(bench.findings()).isEmpty();
    bench.pressAndAnswer(answer("J-1"));
    assertThat(bench.cells()).containsExactly(List.of("J-1"));
  }

  @Test
  void whatHappensIsToldInItsOrder() {
    PageBench bench = asking();
    Reaction pressed = last(bench);
    PartId button = bench.part(Part.Button.class).id();

    assertThat(bench.told(new PageEvent.Pressed(button)))
        .containsExactly(
            new Happening.Begins(pressed.id(), pressed.when()),
            new Happening.Calls(bench.call().id(), RecordValue.empty()));
    PageEffect.RunCall old = (PageEffect.RunCall) bench.press().getFirst();
    PageEffect.RunCall call = (PageEffect.RunCall) bench.press().getFirst();
    assertThat(bench.told(new PageEvent.Answered(old, answer("J-9"), "x0")))
        .containsExactly(new Happening.ComesLate(bench.call().id()));
    assertThat(bench.told(new PageEvent.Answered(call, answer("J-1"), "x1")))
        .containsExactly(new Happening.Says("1 jobs"), new Happening.Asks("Open the chart?"));
    assertThat(bench.told(new PageEvent.Replied(true)))
        .containsExactly(new Happening.OpensAddress("https://saltmere.example/chart"));
    assertThat(bench.told(new PageEvent.Entered(Map.of(bench.item("Tag").id(), Value.text("T-1")))))
        .containsExactly(new Happening.Enters(bench.item("Tag").id(), Value.text("T-1")));

    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), pressed.owner(), Reaction.CONDITION),
            Optional.of(new Source.Formula("1 > 2"))));
    assertThat(bench.told(new PageEvent.Pressed(button)))
        .containsExactly(new Happening.HoldsNot(pressed.id(), pressed.when(), Optional.empty()));
  }
}
