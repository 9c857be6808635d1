package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.mapsel.core.page.edit.AddPages;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.ref.FieldPath;
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
  void whatIsChangedStandsInTheFormAndGoesBackWithItsState() {
    PageBench bench = cranes(true);

    assertThat(pages(bench)).containsExactly("List cranes", "Crane", "Change crane", "New crane");
    assertThat(bench.findings()).isEmpty();
    bench.on("Change crane");
    RecordValue crane =
        RecordValue.of(
            Map.of(
                "Id",
                NumberValue.of(7),
                "Name",
                Value.text("Heron"),
                "etag",
                Value.text("W/\"1\"")));
    PageEffect.RunCall read =
        (PageEffect.RunCall)
            bench.step(new PageEvent.Opened(Map.of("crane", crane), List.of())).getFirst();
    bench.step(new PageEvent.Answered(read, crane, "x"));
    bench.type("Called", "Egret");
    PageEffect.RunCall change =
        (PageEffect.RunCall)
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
