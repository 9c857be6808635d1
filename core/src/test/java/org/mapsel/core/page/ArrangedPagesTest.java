package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.edit.AddButton;
import org.mapsel.core.page.edit.AddGroup;
import org.mapsel.core.page.edit.AddStep;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.MovePart;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.SetFrame;
import org.mapsel.core.page.edit.SetTotal;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.view.PartView;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Lines to fill in, buttons and totals of rows, and parts that stand in groups. */
class ArrangedPagesTest {

  private static final FieldPath GROUP = FieldPath.of("job", "group");

  private static PageBench with(String operation) {
    return new PageBench()
        .with("dredging", "/descriptions/dredging.wsdl")
        .start("dredging", operation);
  }

  private static RecordValue record(String name, Value value) {
    return RecordValue.of(Map.of(name, value));
  }

  private static PageEffect.RunCall call(List<PageEffect> effects) {
    return (PageEffect.RunCall) effects.getLast();
  }

  private static PageBench planning() {
    PageBench bench = with("PlanJob");
    bench.edit(new FillFromInput(bench.page().id(), bench.call().id(), GROUP));
    bench.plan().required().values().forEach(label -> fill(bench, label));
    return bench;
  }

  /** What stands in lines is not filled for all of them. */
  private static void fill(PageBench bench, String label) {
    boolean inForm =
        bench
            .page()
            .items()
            .filter(inside -> inside.part() instanceof Part.Form)
            .anyMatch(inside -> inside.item().equals(itemOf(bench, label)));
    if (inForm) {
      bench.type(label, "1");
    }
  }

  private static Item itemOf(PageBench bench, String label) {
    return bench.item(label);
  }

  @Test
  void aRepeatedRecordIsAskedForAsLinesAndEveryLineIsAnItem() {
    PageBench bench = planning();
    assertThat(bench.parts()).contains("lines Group [Buoy, Colour]");
    assertThat(bench.findings()).isEmpty();
    assertThat(AppFile.read(AppFile.write(bench.app())).get()).isEqualTo(bench.app());

    Part.Lines lines = bench.part(Part.Lines.class);
    String buoy = lines.items().getFirst().id().text();
    String colour = lines.items().getLast().id().text();
    RecordValue first = RecordValue.of(Map.of(buoy, Value.text("B1"), colour, Value.text("red")));
    bench.step(
        new PageEvent.Entered(
            Map.of(
                lines.id(),
                ListValue.of(
                    first, record(colour, Value.text("green")), record(buoy, Value.text(""))))));
    assertThat(bench.press()).as("a line without what it needs").isEmpty();
    assertThat(bench.state().messages().getLast().text())
        .isEqualTo("Please fill in: Buoy in line 2.");

    bench.step(
        new PageEvent.Entered(
            Map.of(lines.id(), ListValue.of(first, record(buoy, Value.text("B2"))))));
    assertThat(call(bench.press()).parameters().at(GROUP))
        .isEqualTo(
            ListValue.of(
                RecordValue.of(Map.of("buoy", Value.text("B1"), "colour", Value.text("red"))),
                record("buoy", Value.text("B2"))));
  }

  @Test
  void linesThatNobodyFillsAreLeftOutAndGoWithTheirParameter() {
    PageBench bench = planning();
    assertThat(call(bench.press()).parameters().at(GROUP).isAbsent()).isTrue();

    bench.edit(new FillSlot(bench.parameter("job", "group"), Optional.empty()));
    assertThat(bench.parts()).noneMatch(part -> part.startsWith("lines"));
    assertThat(bench.call().parameters())
        .noneMatch(parameter -> parameter.path().startsWith(GROUP));
  }

  private static RecordValue arrival(String hull, String name) {
    return RecordValue.of(Map.of("hullNumber", Value.text(hull), "vesselName", Value.text(name)));
  }

  @Test
  void rowsOfOneCallAreTheItemsOfAnotherTheirFieldsPaired() {
    PageBench bench =
        new PageBench()
            .with("bookings", "/descriptions/lines-parts.yaml")
            .start("bookings", "listArrivals");
    CallId list = bench.call().id();
    PartId find = bench.part(Part.Button.class).id();
    bench.add("bookings", "bookAll");
    FieldPath vessels = FieldPath.of("body", "vessels");
    assertThat(bench.parts()).contains("lines Vessels [Hull number, Vessel name, Remark]");

    bench.edit(
        new FillSlot(
            bench.parameter("body", "vessels"),
            Optional.of(new Source.Returned(list, FieldPath.of("arrivals")))));
    assertThat(bench.parts())
        .as("nothing is typed any more")
        .noneMatch(part -> part.startsWith("lines"));
    assertThat(bench.call().mapping(vessels.then("hullNumber")).orElseThrow().source())
        .isEqualTo(new Source.Row(FieldPath.of("hullNumber")));
    assertThat(bench.call().mapping(vessels.then("remark"))).isEmpty();
    assertThat(bench.findings()).isEmpty();

    PageEffect.RunCall asked = call(bench.step(new PageEvent.Pressed(find)));
    bench.step(
        new PageEvent.Answered(
            asked,
            record(
                "arrivals",
                ListValue.of(arrival("S-1", "Marrow Tern"), arrival("S-2", "Grey Knot"))),
            "x"));
    bench.type("Contact", "Quay office");
    assertThat(call(bench.press()).parameters().at(vessels))
        .isEqualTo(ListValue.of(arrival("S-1", "Marrow Tern"), arrival("S-2", "Grey Knot")));

    bench.edit(new FillSlot(bench.parameter("body", "vessels"), Optional.empty()));
    assertThat(bench.call().mapping(vessels.then("hullNumber")))
        .as("what was filled of the rows goes with them")
        .isEmpty();
  }

  @Test
  void aRecordIsAskedForFieldByField() {
    PageBench bench = with("PlanJob");
    bench.edit(
        new FillFromInput(bench.page().id(), bench.call().id(), FieldPath.of("job", "spoil")));
    assertThat(bench.call().mapping(FieldPath.of("job", "spoil", "value"))).isPresent();
    assertThat(bench.call().mapping(FieldPath.of("job", "spoil", "unit"))).isPresent();
  }

  private static RecordValue jobs(String... numbers) {
    List<Value> rows =
        List.of(numbers).stream()
            .map(
                number ->
                    (Value)
                        RecordValue.of(
                            Map.of(
                                "number",
                                Value.text(number),
                                "depth",
                                NumberValue.of(number.length()))))
            .toList();
    return record("job", new ListValue(rows));
  }

  private static PartView.RowsView rows(PageBench bench) {
    return bench.view().parts().stream()
        .filter(PartView.TableView.class::isInstance)
        .map(part -> ((PartView.TableView) part).rows())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aButtonInARowActsOnThatRowAndIsThereOnlyWhereItsConditionHolds() {
    PageBench bench = with("FindJobs");
    PartId find = bench.part(Part.Button.class).id();
    PartId table = bench.part(Part.Table.class).id();
    bench.edit(new AddButton(bench.page().id(), "Say which"));
    Part.Button button = bench.part(Part.Button.class);
    bench.edit(
        new SetFrame(bench.page().id(), button.id(), button.frame().within(Optional.of(table))));
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), button.id(), Part.SHOWN_IF),
            Optional.of(new Source.Formula("depth > 2.0"))));
    bench.edit(
        new AddStep(
            bench.page().id(), bench.page().reactions().getLast().id(), false, new Action.Say()));
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(
                bench.page().id(),
                bench.page().reactions().getLast().steps().getFirst().id(),
                Action.WORDS),
            Optional.of(new Source.Chosen(table, FieldPath.of("number")))));
    assertThat(bench.findings()).isEmpty();
    PageEffect.RunCall asked = call(bench.step(new PageEvent.Pressed(find)));
    bench.step(new PageEvent.Answered(asked, jobs("J1", "J22"), "x"));

    assertThat(bench.view().parts()).noneMatch(part -> part.id().equals(button.id()));
    assertThat(rows(bench).buttons()).extracting(PartView::heading).containsExactly("Say which");
    assertThat(rows(bench).rows())
        .extracting(PartView.LineView::without)
        .containsExactly(List.of(button.id()), List.of());
    bench.step(new PageEvent.Pressed(button.id(), Optional.of(1)));
    assertThat(bench.state().messages()).containsExactly(new PageState.Message(false, "J22"));
    assertThat(
            bench.refused(
                new SetFrame(
                    bench.page().id(), table, Frame.USUAL.within(Optional.of(button.id())))))
        .containsExactly("APP_PART_MISPLACED");
  }

  @Test
  void totalsAreOfTheRowsThatAreSeen() {
    PageBench bench = with("FindJobs");
    PartId table = bench.part(Part.Table.class).id();
    PartId depth = bench.item("Depth").id();
    bench.edit(new SetTotal(bench.page().id(), depth, Optional.of(Shown.Total.SUM)));
    bench.edit(
        new SetTotal(bench.page().id(), bench.item("Number").id(), Optional.of(Shown.Total.COUNT)));
    assertThat(AppFile.read(AppFile.write(bench.app())).get()).isEqualTo(bench.app());
    bench.pressAndAnswer(jobs("J1", "J22", "K333"));

    assertThat(rows(bench).totals())
        .extracting(PartView.TotalView::text)
        .containsExactlyInAnyOrder("9", "3");
    bench.step(
        new PageEvent.Arranged(table, new PageState.Arrangement(Optional.empty(), false, "J")));
    assertThat(rows(bench).totals())
        .extracting(PartView.TotalView::text)
        .containsExactlyInAnyOrder("5", "2");
  }

  @Test
  void partsInAGroupAreShownAndMovedWithinItAndStayWhenItGoes() {
    PageBench bench = with("FindJobs");
    Part form = bench.part(Part.Form.class);
    Part button = bench.part(Part.Button.class);
    PartId group = group(bench, "What to find");
    for (Part part : List.of(form, button)) {
      bench.edit(within(bench, part.id(), group));
    }
    assertThat(AppFile.read(AppFile.write(bench.app())).get()).isEqualTo(bench.app());
    bench.edit(new MovePart(bench.page().id(), button.id(), -1));
    assertThat(bench.page().parts()).extracting(Part::id).startsWith(button.id(), form.id());
    assertThat(bench.view().frames())
        .filteredOn(frame -> frame.within().filter(group::equals).isPresent())
        .hasSize(2);

    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), group, Part.SHOWN_IF),
            Optional.of(new Source.Formula("1 > 2"))));
    assertThat(bench.parts()).singleElement().asString().startsWith("table");

    bench.edit(new RemovePart(bench.page().id(), group));
    assertThat(bench.page().parts()).allMatch(part -> part.frame().within().isEmpty());
    assertThat(bench.parts()).hasSize(3);
  }

  @Test
  void groupsStandInGroupsAndNoDeeper() {
    PageBench bench = with("FindJobs");
    Part form = bench.part(Part.Form.class);
    PartId outer = group(bench, "Outer");
    PartId inner = group(bench, "Inner");
    PartId third = group(bench, "Third");
    bench.edit(within(bench, inner, outer)).edit(within(bench, form.id(), inner));

    assertThat(bench.refused(within(bench, third, inner))).containsExactly("APP_PART_MISPLACED");
    assertThat(bench.refused(within(bench, outer, third))).containsExactly("APP_PART_MISPLACED");
    assertThat(bench.refused(within(bench, outer, outer))).containsExactly("APP_PART_MISPLACED");
    assertThat(bench.parts()).anyMatch(part -> part.startsWith("form"));
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), outer, Part.SHOWN_IF),
            Optional.of(new Source.Formula("1 > 2"))));
    assertThat(bench.parts()).noneMatch(part -> part.startsWith("form"));

    bench.edit(new RemovePart(bench.page().id(), inner));
    assertThat(bench.page().part(form.id()).orElseThrow().frame().within())
        .as("what stood in it stands where it stood")
        .contains(outer);
  }

  private static PartId group(PageBench bench, String words) {
    bench.edit(new AddGroup(bench.page().id(), words));
    return bench.part(Part.Group.class).id();
  }

  private static SetFrame within(PageBench bench, PartId part, PartId around) {
    Frame frame = bench.page().part(part).orElseThrow().frame();
    return new SetFrame(bench.page().id(), part, frame.within(Optional.of(around)));
  }
}
