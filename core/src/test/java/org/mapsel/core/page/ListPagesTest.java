package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.edit.AddPages;
import org.mapsel.core.page.edit.AddText;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.RemoveArgument;
import org.mapsel.core.page.edit.RenameArgument;
import org.mapsel.core.page.run.Conflicts;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Small applications that start from a list. */
class ListPagesTest {

  private static PageBench cranes(boolean edits) {
    PageBench bench = new PageBench().with("yard", "/descriptions/yard.xml");
    Operation list = Descriptions.operation(bench.service("yard"), "Cranes.list");
    return bench.edit(
        new AddPages("yard", "yard", list.id(), list.wires().get(0).endpoint(), List.of(), edits));
  }

  private static List<String> pages(PageBench bench) {
    return bench.app().pages().stream().map(Page::name).toList();
  }

  @Test
  void aListLeadsToARecordThatReadsItselfAndShowsItsOwnLists() {
    PageBench bench = cranes(false);

    assertThat(pages(bench)).containsExactly("List cranes", "Crane");
    assertThat(bench.findings()).isEmpty();
    bench.on("List cranes");
    PageEffect.RunCall list = (PageEffect.RunCall) bench.step(PageEvent.Opened.ALONE).getFirst();
    RecordValue crane =
        RecordValue.of(Map.of("Id", NumberValue.of(7), "Name", Value.text("Heron")));
    bench.step(
        new PageEvent.Answered(list, RecordValue.of(Map.of("rows", ListValue.of(crane))), "x"));
    PageEffect.GoTo going =
        (PageEffect.GoTo)
            bench.step(new PageEvent.RowChosen(bench.part(Part.Table.class).id(), 0)).getFirst();

    bench.on("Crane");
    List<PageEffect> calls = bench.step(new PageEvent.Opened(going.arguments(), List.of()));
    assertThat(calls)
        .extracting(
            effect ->
                bench
                    .page()
                    .call(((PageEffect.RunCall) effect).call())
                    .orElseThrow()
                    .operation()
                    .text())
        .containsExactly("Cranes.read", "Cranes.Jobs");
    assertThat(calls)
        .allSatisfy(
            effect ->
                assertThat(((PageEffect.RunCall) effect).parameters().get("Id"))
                    .isEqualTo(NumberValue.of(7)));
    assertThat(bench.parts()).anyMatch(part -> part.startsWith("table Jobs ["));
  }

  @Test
  void whatAPageIsOpenedWithIsCalledOtherwiseEverywhereAndCanBeTakenAway() {
    PageBench bench = cranes(false).on("Crane");
    PageId page = bench.page().id();
    bench.edit(new AddText(page, "About"));
    SlotId words = new SlotId.OfPart(page, bench.part(Part.Text.class).id(), Part.HEADING);
    bench.edit(
        new FillSlot(
            words, Optional.of(new Source.Formula("'crane: ' + crane.Name + string(crane.Id)"))));

    bench.edit(new RenameArgument(page, "crane", "lift"));
    assertThat(bench.findings()).isEmpty();
    assertThat(bench.page().mapping(words))
        .contains(new Mapping(new Source.Formula("'crane: ' + lift.Name + string(lift.Id)")));
    assertThat(bench.on("List cranes").page().reactions().toString())
        .contains("arguments=[lift]")
        .doesNotContain("arguments=[crane]");
    bench.on("Crane");
    assertThat(bench.refused(new RenameArgument(page, "crane", "lift")))
        .containsExactly("APP_ARGUMENT_MISSING");
    assertThat(bench.refused(new RenameArgument(page, "lift", "the lift")))
        .containsExactly("APP_ARGUMENT_NAME_WRONG");

    bench.edit(new RemoveArgument(page, "lift"));
    assertThat(bench.page().arguments()).isEmpty();
    assertThat(bench.findings())
        .contains("MAPPING_SOURCE_GONE")
        .doesNotContain("PAGE_ARGUMENT_UNFILLED");
    assertThat(bench.on("List cranes").page().reactions().toString()).contains("arguments=[]");
  }

  private static RecordValue crane(String name, String state) {
    return RecordValue.of(
        Map.of(
            "Id",
            NumberValue.of(7),
            "Name",
            Value.text(name),
            "etag",
            Value.text("W/\"" + state + "\"")));
  }

  /** A crane that was called otherwise by a visitor, and by somebody else in the meantime. */
  private static PageBench inConflict() {
    PageBench bench = cranes(true).on("Change crane");
    RecordValue read = crane("Heron", "1");
    PageEffect opening =
        bench.step(new PageEvent.Opened(Map.of("crane", read), List.of())).getFirst();
    bench.step(new PageEvent.Answered((PageEffect.RunCall) opening, read, "x"));
    bench.type("Called", "Egret");
    PageEffect.RunCall change = save(bench);
    PageEffect again = bench.step(new PageEvent.CallFailed(change, "412", true)).getFirst();
    assertThat(((PageEffect.RunCall) again).call())
        .isEqualTo(((PageEffect.RunCall) opening).call());
    bench.step(new PageEvent.Answered((PageEffect.RunCall) again, crane("Osprey", "2"), "y"));
    assertThat(bench.view().asking().orElseThrow().differences())
        .extracting(
            Conflicts.Difference::label, Conflicts.Difference::mine, Conflicts.Difference::theirs)
        .containsExactly(tuple("Called", "Egret", "Osprey"));
    assertThat(bench.view().messages()).isEmpty();
    return bench;
  }

  private static PageEffect.RunCall save(PageBench bench) {
    return (PageEffect.RunCall)
        bench
            .step(
                new PageEvent.Pressed(
                    bench.page().parts().stream()
                        .filter(
                            part ->
                                part instanceof Part.Button button
                                    && button.manner() == Part.Button.Manner.MAIN)
                        .findFirst()
                        .orElseThrow()
                        .id()))
            .getFirst();
  }

  @Test
  void inAConflictMineIsSavedOverWhatIsThereNow() {
    PageBench bench = inConflict();

    PageEffect.RunCall again =
        (PageEffect.RunCall) bench.step(new PageEvent.Replied(true)).getFirst();
    assertThat(again.parameters().get("ifMatch")).isEqualTo(Value.text("W/\"2\""));
    assertThat(again.parameters().at(FieldPath.of("Crane", "Name"))).isEqualTo(Value.text("Egret"));
    assertThat(bench.step(new PageEvent.Answered(again, RecordValue.empty(), "z")))
        .hasOnlyElementsOfType(PageEffect.GoBack.class);
  }

  @Test
  void aServiceThatMeansSomethingElseIsToldInItsWords() {
    PageBench bench = cranes(true).on("Change crane");
    RecordValue read = crane("Heron", "1");
    PageEffect opening =
        bench.step(new PageEvent.Opened(Map.of("crane", read), List.of())).getFirst();
    bench.step(new PageEvent.Answered((PageEffect.RunCall) opening, read, "x"));
    PageEffect again =
        bench.step(new PageEvent.CallFailed(save(bench), "The yard is closed.", true)).getFirst();
    bench.step(new PageEvent.Answered((PageEffect.RunCall) again, read, "y"));

    assertThat(bench.view().asking()).isEmpty();
    assertThat(bench.view().messages().getFirst().text()).isEqualTo("The yard is closed.");
  }

  @Test
  void inAConflictTheirsIsTaken() {
    PageBench bench = inConflict();

    assertThat(bench.step(new PageEvent.Replied(false))).isEmpty();
    assertThat(bench.view().messages().getFirst().text()).contains("was not saved");
    assertThat(save(bench).parameters().at(FieldPath.of("Crane", "Name")))
        .isEqualTo(Value.text("Osprey"));
  }

  @Test
  void whatIsChangedStandsInTheFormAndGoesBackWithItsState() {
    PageBench bench = cranes(true);

    assertThat(pages(bench)).containsExactly("List cranes", "Crane", "Change crane", "New crane");
    assertThat(bench.findings()).isEmpty();
    bench.on("Change crane");
    RecordValue crane = crane("Heron", "1");
    PageEffect.RunCall read =
        (PageEffect.RunCall)
            bench.step(new PageEvent.Opened(Map.of("crane", crane), List.of())).getFirst();
    bench.step(new PageEvent.Answered(read, crane, "x"));
    bench.type("Called", "Egret");
    PageEffect.RunCall change = save(bench);
    assertThat(change.parameters().get("Id")).isEqualTo(NumberValue.of(7));
    assertThat(change.parameters().get("ifMatch")).isEqualTo(Value.text("W/\"1\""));
    assertThat(change.parameters().at(FieldPath.of("Crane", "Name")))
        .isEqualTo(Value.text("Egret"));
    assertThat(bench.step(new PageEvent.Answered(change, RecordValue.empty(), "y")))
        .containsExactly(
            new PageEffect.GoBack(List.of(new PageState.Message(false, "Crane saved."))));
  }

  @Test
  void aListThatNothingElseIsKnownOfShowsWhatItHasOfOneThing() {
    PageBench bench = new PageBench().with("dredging", "/descriptions/dredging.wsdl");
    Operation list = Descriptions.operation(bench.service("dredging"), "FindJobs");
    bench.edit(
        new AddPages(
            "dredging", "dredging", list.id(), list.wires().get(0).endpoint(), List.of(), true));

    assertThat(bench.app().pages()).hasSize(2);
    assertThat(bench.page().calls()).isEmpty();
    assertThat(bench.parts().getFirst()).startsWith("record [");
    Operation plan = Descriptions.operation(bench.service("dredging"), "PlanJob");
    assertThat(
            bench.refused(
                new AddPages(
                    "dredging",
                    "dredging",
                    plan.id(),
                    plan.wires().get(0).endpoint(),
                    List.of(),
                    false)))
        .containsExactly("APP_NO_LIST");
  }
}
