package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.edit.AddEmptyPage;
import org.mapsel.core.page.edit.AddText;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.CallOnOpening;
import org.mapsel.core.page.edit.ChooseInside;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.MoveItem;
import org.mapsel.core.page.edit.MovePart;
import org.mapsel.core.page.edit.RemoveCall;
import org.mapsel.core.page.edit.RemovePage;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.RenamePage;
import org.mapsel.core.page.edit.SetModelField;
import org.mapsel.core.page.edit.SetOnlyHere;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.page.reach.FieldBehind;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What people do to pages, and what pages do. */
class PagesTest {

  private static PageBench dredging(FieldPath... fields) {
    return new PageBench()
        .with("dredging", "/descriptions/dredging.wsdl")
        .start("dredging", "FindJobs", fields);
  }

  private static RecordValue job(String number, String... buoys) {
    List<Value> groups =
        List.of(buoys).stream()
            .map(buoy -> (Value) RecordValue.of(Map.of("buoy", Value.text(buoy))))
            .toList();
    return RecordValue.of(Map.of("number", Value.text(number), "group", new ListValue(groups)));
  }

  @Test
  void aCallIsMadeOnOpeningOnceItHasWhatItNeeds() {
    PageBench bench =
        new PageBench()
            .with("dredging", "/descriptions/dredging.wsdl")
            .start("dredging", "PlanJob");
    PageId page = bench.page().id();
    CallId call = bench.call().id();
    bench.edit(new CallOnOpening(page, call, true)).edit(new CallOnOpening(page, call, true));

    assertThat(bench.step(PageEvent.Opened.ALONE)).isEmpty();
    bench.plan().required().values().forEach(label -> bench.type(label, "1"));
    assertThat(bench.step(PageEvent.Opened.ALONE)).hasSize(1);
    bench.edit(new CallOnOpening(page, call, false));
    assertThat(bench.step(PageEvent.Opened.ALONE)).isEmpty();
    assertThat(bench.refused(new CallOnOpening(page, new CallId("gone"), true)))
        .containsExactly("APP_CALL_MISSING");
  }

  @Test
  void aPageStartsWithAFormAButtonAndTheRowsThatCarryTheMost() {
    PageBench bench = dredging();

    assertThat(bench.parts())
        .containsExactly(
            "form [Trace, Basin, Choice, Day, From, To, Tag]",
            "button Find jobs",
            "table Job [By, Number, Begins, Ends, Depth, Value]");
    assertThat(bench.page().inputs().map(input -> bench.plan().inputs().get(input.id()).kind()))
        .containsExactly(
            Input.Kind.CHECKBOX,
            Input.Kind.CHOICE,
            Input.Kind.CHOICE,
            Input.Kind.DATE,
            Input.Kind.DATE,
            Input.Kind.DATE,
            Input.Kind.TEXT);
    assertThat(bench.press()).as("none of the alternatives needs to be chosen").hasSize(1);
  }

  @Test
  void tickedFieldsBecomeColumnsInTheOrderOfTicking() {
    assertThat(dredging(FieldPath.of("job", "depth"), FieldPath.of("job", "number")).parts())
        .contains("table Job [Depth, Number]");
  }

  @Test
  void theSameTicksMakeTheSameTableWhicheverWayTheyCome() {
    FieldPath buoy = FieldPath.of("job", "group", "buoy");
    PageBench chosen = dredging(buoy);
    PageBench ticked =
        dredging(FieldPath.of("job", "number")).drop("job", "number").use("job", "group", "buoy");

    assertThat(chosen.parts()).isEqualTo(ticked.parts()).contains("table Job [Buoy]");
    assertThat(chosen.part(Part.Table.class).rows().map(Mapping::source))
        .contains(new Source.Returned(chosen.call().id(), FieldPath.of("job")));
  }

  @Test
  void fieldsGoWhereTheyFitAndLeaveNothingEmptyBehind() {
    PageBench bench = dredging(FieldPath.of("job", "number"));

    bench.use("job", "group", "buoy").use("job", "group", "buoy");
    assertThat(bench.parts()).contains("table Job [Number, Buoy]");
    bench.drop("job", "number").drop("job", "group", "buoy");
    assertThat(bench.parts())
        .containsExactly("form [Trace, Basin, Choice, Day, From, To, Tag]", "button Find jobs");
    bench.use("job", "depth");
    assertThat(bench.parts()).contains("table Job [Depth]");
    assertThat(bench.refused(use(bench, "job", "spoil"))).containsExactly("APP_FIELD_GROUP");
    assertThat(bench.refused(use(bench, "jobs"))).containsExactly("APP_FIELD_MISSING");
  }

  private static AppEdit use(PageBench bench, String... path) {
    return new UseField(
        bench.page().id(), bench.call().id(), FieldPath.of(path), Optional.empty(), true);
  }

  @Test
  void parametersAreAskedForFixedOrLeftOut() {
    PageBench bench = dredging();
    SlotId basin = bench.parameter("basin");

    bench.edit(new FillSlot(basin, Optional.of(new Source.Fixed("inner"))));
    assertThat(bench.parts()).contains("form [Trace, Choice, Day, From, To, Tag]");
    bench.edit(new FillSlot(basin, Optional.empty()));
    assertThat(bench.page().mapping(basin)).isEmpty();
    bench.edit(new FillFromInput(bench.page().id(), bench.call().id(), FieldPath.of("basin")));
    assertThat(bench.parts()).contains("form [Trace, Choice, Day, From, To, Tag, Basin]");
    assertThat(
            bench.refused(
                new FillSlot(
                    basin,
                    Optional.of(
                        new Source.Returned(bench.call().id(), FieldPath.of("job", "number"))))))
        .containsExactly("APP_SOURCE_OWN_ANSWER");
    assertThat(
            bench.refused(
                new FillSlot(
                    bench.parameter("choice", "day"), Optional.of(new Source.Fixed("soon")))))
        .containsExactly("MAPPING_FIXED_WRONG");
  }

  @Test
  void wordsGoToTheModelOrStayOnThePage() {
    PageBench bench = dredging(FieldPath.of("job", "number"), FieldPath.of("job", "depth"));
    PageId page = bench.page().id();
    FieldBehind.Described depth =
        (FieldBehind.Described)
            new PageReach(bench.app(), bench.page(), bench.lookup())
                .subject(
                    new Source.Returned(bench.call().id(), FieldPath.of("job", "depth")),
                    new PageReach(bench.app(), bench.page(), bench.lookup()).outside())
                .orElseThrow();
    PartId column = bench.item("Depth").id();
    PartId table = bench.part(Part.Table.class).id();

    bench
        .edit(
            new SetModelField(
                depth.ref(), Optional.empty(), Optional.empty(), Overrides.labelled(" Metres ")))
        .start("dredging", "FindJobs", FieldPath.of("job", "depth"));
    assertThat(bench.parts()).as("every page that shows it follows").contains("table Job [Metres]");
    bench.edit(new RemovePage(bench.page().id()));
    bench
        .edit(new SetOnlyHere(page, column, Overrides.labelled("Deep")))
        .edit(new MoveItem(page, column, -5))
        .edit(new MovePart(page, table, -1))
        .edit(new AddText(page, "Look here"))
        .edit(new RenamePage(page, "Jobs"));
    assertThat(bench.parts())
        .containsExactly(
            "text Look here",
            "form [Trace, Basin, Choice, Day, From, To, Tag]",
            "table Job [Deep, Number]",
            "button Find jobs");
    bench.edit(new SetOnlyHere(page, column, Overrides.NONE));
    assertThat(bench.parts()).contains("table Job [Metres, Number]");
    assertThat(bench.refused(new SetOnlyHere(page, column, Overrides.labelled(" "))))
        .containsExactly("APP_LABEL_EMPTY");
  }

  @Test
  void aRemovedPartTakesItsMappingsAlong() {
    PageBench bench = dredging(FieldPath.of("job", "number"));
    PageId page = bench.page().id();
    PartId button = bench.part(Part.Button.class).id();

    bench
        .edit(new RemovePart(page, bench.part(Part.Form.class).id()))
        .edit(new RemovePart(page, button));
    assertThat(bench.call().parameters()).isEmpty();
    assertThat(bench.page().reactions()).isEmpty();
    assertThat(bench.refused(new RemovePart(page, button))).containsExactly("APP_PART_MISSING");
  }

  @Test
  void aRemovedCallTakesWhatItFilledAlongAndFreesItsService() {
    PageBench bench = dredging(FieldPath.of("job", "number"));

    bench.edit(new RemoveCall(bench.page().id(), bench.call().id()));

    assertThat(bench.page().parts()).isEmpty();
    assertThat(bench.page().reactions()).isEmpty();
    assertThat(bench.app().services()).isEmpty();
  }

  @Test
  void noIdIsGivenTwice() {
    PageBench bench = dredging(FieldPath.of("job", "number"));
    List<PartId> before = bench.page().items().map(inside -> inside.item().id()).toList();

    bench.drop("job", "number").use("job", "number");
    bench.edit(new AddEmptyPage("One"));
    PageId gone = bench.page().id();
    bench.edit(new RemovePage(gone)).edit(new AddEmptyPage("Two"));

    assertThat(bench.page().id()).isNotEqualTo(gone);
    assertThat(bench.app().pages().get(0).items().map(inside -> inside.item().id()).toList())
        .last()
        .satisfies(id -> assertThat(before).doesNotContain(id));
  }

  @Test
  void pressingTheButtonAsksForTheCallAndTheAnswerIsShown() {
    PageBench bench =
        dredging(FieldPath.of("job", "number"), FieldPath.of("job", "group", "buoy"))
            .type("Choice", "day")
            .type("Day", "2031-05-14");

    PageEffect.RunCall call = (PageEffect.RunCall) bench.press().get(0);
    assertThat(call.parameters().at(FieldPath.of("choice", "day")))
        .isEqualTo(Value.text("2031-05-14"));
    RecordValue answer =
        RecordValue.of(Map.of("job", ListValue.of(job("J-0001", "B1", "B2"), job("J-0002"))));
    bench.step(new PageEvent.Answered(call, answer, "x1"));
    assertThat(bench.cells()).containsExactly(List.of("J-0001", "B1, B2"), List.of("J-0002", ""));

    bench.step(
        new PageEvent.CallFailed((PageEffect.RunCall) bench.press().get(0), "The tide is out."));
    assertThat(bench.view().messages())
        .containsExactly(new PageView.MessageView(true, "The tide is out."));
    assertThat(bench.cells()).as("what was there stays").hasSize(2);
  }

  @Test
  void whatIsNeededIsAskedForBeforeAnythingIsSent() {
    PageBench bench =
        new PageBench()
            .with("dredging", "/descriptions/dredging.wsdl")
            .start("dredging", "PlanJob");

    assertThat(bench.press()).isEmpty();
    assertThat(bench.view().messages().get(0).text()).startsWith("Please fill in: ");
  }

  @Test
  void aChosenRowFillsTheNextCall() {
    PageBench bench = dredging(FieldPath.of("job", "number"));
    PartId table = bench.part(Part.Table.class).id();
    bench.add("dredging", "FindJobs", FieldPath.of("job", "depth"));
    bench.fill("tag", new Source.Chosen(table, FieldPath.of("number")));
    PageEffect.RunCall first = (PageEffect.RunCall) bench.step(first(bench)).get(0);
    RecordValue answer = RecordValue.of(Map.of("job", ListValue.of(job("J-1"), job("J-2"))));
    bench.step(new PageEvent.Answered(first, answer, "x1"));

    bench.step(new PageEvent.RowChosen(table, 1));
    PageEffect.RunCall second = (PageEffect.RunCall) bench.press().get(0);
    assertThat(second.parameters().get("tag")).isEqualTo(Value.text("J-2"));
    bench.step(new PageEvent.Answered(first, RecordValue.empty(), "x2"));
    assertThat(bench.state().chosen()).as("what is back twice changes nothing").isNotEmpty();
    PageEffect.RunCall again = (PageEffect.RunCall) bench.step(first(bench)).get(0);
    bench.step(new PageEvent.Answered(again, answer, "x3"));
    assertThat(bench.state().chosen()).as("new rows are not chosen").isEmpty();
  }

  private static PageEvent first(PageBench bench) {
    return new PageEvent.Pressed(
        bench.page().parts().stream()
            .filter(Part.Button.class::isInstance)
            .findFirst()
            .orElseThrow()
            .id());
  }

  @Test
  void onlyFieldsThatAreShownAreAskedOfAnAnswer() {
    PageBench bench = dredging(FieldPath.of("job", "number"));

    assertThat(bench.plan().wanted().get(bench.call().id()))
        .containsExactly(FieldPath.of("job", "number"));
  }

  @Test
  void aRepeatedParameterTakesSeveralValuesAndOthersTakeOne() {
    PageBench bench =
        new PageBench().with("tides", "/descriptions/tides.yaml").start("tides", "listStations");
    PartId kinds = bench.item("Kinds").id();

    assertThat(bench.plan().inputs().entrySet())
        .filteredOn(input -> input.getValue().several())
        .extracting(Map.Entry::getKey)
        .containsExactly(kinds);
    bench.step(
        new PageEvent.Entered(
            Map.of(kinds, ListValue.of(Value.text("gauge"), Value.text(""), Value.text("model")))));
    PageEffect.RunCall call = (PageEffect.RunCall) bench.press().get(0);
    assertThat(call.parameters().get("kinds"))
        .as("empty ones do not travel")
        .isEqualTo(ListValue.of(Value.text("gauge"), Value.text("model")));
    bench.step(new PageEvent.Entered(Map.of(kinds, ListValue.of(Value.text("")))));
    assertThat(((PageEffect.RunCall) bench.press().get(0)).parameters().get("kinds"))
        .isEqualTo(Value.ABSENT);
  }

  @Test
  void aPageIsSettledWhereNoAnswerCanTellMore() {
    PageBench closed =
        new PageBench()
            .with("berthing", "/descriptions/keyed-parts.yaml")
            .start("berthing", "ListArrivals");
    PageBench open =
        new PageBench().with("tides", "/descriptions/data-set.wsdl").start("tides", "GetRows");

    assertThat(closed.lookup().isSettled(closed.app(), closed.page())).isTrue();
    assertThat(open.lookup().isSettled(open.app(), open.page())).isFalse();
    assertThat(new PageBench().lookup().isSettled(closed.app(), closed.page())).isFalse();
  }

  @Test
  void aListInsideOfRowsStandsInAColumnOfTheirsWhicheverWayItCame() {
    PageBench bench = dredging(FieldPath.of("job", "number")).use("job", "group");
    assertThat(bench.parts().getLast()).isEqualTo("table Job [Number, Group]");
    bench.pressAndAnswer(
        RecordValue.of(
            Map.of("job", new ListValue(List.of(job("J-1", "B-1", "B-2"), job("J-2"))))));

    assertThat(bench.cells()).containsExactly(List.of("J-1", "2"), List.of("J-2", ""));
    PartView.TableView table = (PartView.TableView) bench.view().parts().getLast();
    int buoy = inside(bench).indexOf("Buoy");
    assertThat(table.rows().rows().getFirst().cells().getLast().inside().orElseThrow())
        .extracting(row -> row.get(buoy).text())
        .containsExactly("B-1", "B-2");
    assertThat(bench.findings()).isEmpty();
    assertThat(bench.taken().rows())
        .as("a file has all of it in one cell")
        .extracting(row -> row.getLast().text())
        .containsExactly("B-1; B-2", "");

    PartId group = table.rows().columns().getLast().id();
    bench.edit(new ChooseInside(bench.page().id(), group, List.of("colour", "gone", "buoy")));
    assertThat(AppFile.read(AppFile.write(bench.app())).get()).isEqualTo(bench.app());
    assertThat(inside(bench)).as("in the chosen order").containsExactly("Colour", "Buoy");
    assertThat(bench.findings()).containsExactly("PAGE_INSIDE_GONE");
    bench.edit(bench.check().findings().getFirst().repairs().getFirst().edit());
    assertThat(bench.findings()).isEmpty();
    assertThat(inside(bench)).containsExactly("Colour", "Buoy");
    bench.edit(new ChooseInside(bench.page().id(), group, List.of("colour")));
    assertThat(inside(bench)).containsExactly("Colour");
    bench.edit(new ChooseInside(bench.page().id(), group, List.of()));
    assertThat(inside(bench)).as("by the model").contains("Buoy", "Colour");

    bench.drop("job", "group");
    assertThat(bench.parts().getLast()).isEqualTo("table Job [Number]");
    assertThat(dredging(FieldPath.of("job", "group")).parts().getLast())
        .as("also where nothing else is shown of the rows")
        .isEqualTo("table Job [Group]");
  }

  /** What the rows inside the rows of the last table show. */
  private static List<String> inside(PageBench bench) {
    return ((PartView.TableView) bench.view().parts().getLast())
        .rows().columns().getLast().inside().stream().map(PartView.InnerColumnView::label).toList();
  }
}
