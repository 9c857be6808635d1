package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.mapping.MappingOut;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Pages are made, edited and run in the words of somebody who does so. */
class PagesTest {

  private static final Service SERVICE = Descriptions.service("/descriptions/dredging.wsdl");
  private static final PageId PAGE = new PageId("page1");
  private static final CallId CALL = new CallId("call");

  /** Makes edits one after the other, and looks at what became of the page. */
  private static final class Builder {

    private final AppEditor editor = new AppEditor(edition -> Optional.of(SERVICE));
    private App app = App.named("Dredging");

    Builder start(String operation, FieldPath... fields) {
      return edit(
          new AppEdit.AddPage(
              "dredging",
              "e1",
              new OperationId(operation),
              new EndpointId("Soap11"),
              List.of(fields)));
    }

    Builder edit(AppEdit edit) {
      app = editor.apply(app, edit).get();
      return this;
    }

    Builder use(String... path) {
      return edit(new AppEdit.UseField(PAGE, CALL, FieldPath.of(path), true));
    }

    Builder drop(String... path) {
      return edit(new AppEdit.UseField(PAGE, CALL, FieldPath.of(path), false));
    }

    List<String> refused(AppEdit edit) {
      Outcome<App> outcome = editor.apply(app, edit);
      assertThat(outcome.value()).isEmpty();
      return outcome.findings().stream().map(Finding::code).toList();
    }

    Page page() {
      return app.find(PAGE).orElseThrow();
    }

    /** A line for every part, as a reader would tell it. */
    List<String> parts() {
      return page().parts().stream()
          .map(
              part ->
                  switch (part) {
                    case Part.Form form ->
                        "form " + form.inputs().stream().map(Input::label).toList();
                    case Part.Table table ->
                        "table "
                            + table.label()
                            + " "
                            + table.items().stream().map(Item::label).toList();
                    case Part.Record record ->
                        "record " + record.items().stream().map(Item::label).toList();
                    case Part.Button button -> "button " + button.label();
                    case Part.Text text -> "text " + text.label();
                  })
          .toList();
    }
  }

  @Test
  void aCallIsMadeOnOpeningOnceItHasWhatItNeeds() {
    Builder page =
        new Builder()
            .start("PlanJob")
            .edit(new AppEdit.CallOnOpening(PAGE, CALL, true))
            .edit(new AppEdit.CallOnOpening(PAGE, CALL, true));
    PageState filled = PageState.empty();
    for (Input input : ((Part.Form) page.page().parts().get(0)).inputs()) {
      filled = input.required() ? filled.withInput(input.id(), new TextValue("1")) : filled;
    }
    PageRunner runner = new PageRunner(page.page());

    assertThat(runner.step(PageState.empty(), new PageEvent.Opened()).effects()).isEmpty();
    assertThat(runner.step(filled, new PageEvent.Opened()).effects()).hasSize(1);
    page.edit(new AppEdit.CallOnOpening(PAGE, CALL, false));
    assertThat(new PageRunner(page.page()).step(filled, new PageEvent.Opened()).effects())
        .isEmpty();
    assertThat(page.refused(new AppEdit.CallOnOpening(PAGE, new CallId("gone"), true)))
        .containsExactly("APP_CALL_MISSING");
  }

  @Test
  void aPageStartsWithAFormAButtonAndTheRowsThatCarryTheMost() {
    Builder page = new Builder().start("FindJobs");

    assertThat(page.parts())
        .containsExactly(
            "form [Trace, Basin, Day, From, To, Tag]",
            "button Find jobs",
            "table Job [By, Number, Begins, Ends, Depth, Value]");
    assertThat(((Part.Form) page.page().parts().get(0)).inputs())
        .extracting(Input::kind)
        .containsExactly(
            Input.Kind.CHECKBOX,
            Input.Kind.CHOICE,
            Input.Kind.DATE,
            Input.Kind.DATE,
            Input.Kind.DATE,
            Input.Kind.TEXT);
    assertThat(((Part.Form) page.page().parts().get(0)).inputs())
        .as("a date of an alternative that need not be chosen")
        .extracting(Input::required)
        .containsOnly(false);
  }

  @Test
  void tickedFieldsBecomeColumnsInTheOrderOfTicking() {
    Builder page =
        new Builder()
            .start("FindJobs", FieldPath.of("job", "depth"), FieldPath.of("job", "number"));

    assertThat(page.parts()).contains("table Job [Depth, Number]");
  }

  @Test
  void fieldsGoWhereTheyFitAndLeaveNothingEmptyBehind() {
    Builder page = new Builder().start("FindJobs", FieldPath.of("job", "number"));

    page.use("job", "group", "buoy").use("job", "group", "buoy");
    assertThat(page.parts()).contains("table Job [Number, Buoy]");
    page.drop("job", "number").drop("job", "group", "buoy");
    assertThat(page.parts())
        .containsExactly("form [Trace, Basin, Day, From, To, Tag]", "button Find jobs");
    assertThat(page.page().call(CALL).orElseThrow().comesBack()).isEmpty();
    page.use("job", "depth");
    assertThat(page.parts()).contains("table Job [Depth]");
    assertThat(page.refused(new AppEdit.UseField(PAGE, CALL, FieldPath.of("job", "spoil"), true)))
        .containsExactly("APP_FIELD_GROUP");
    assertThat(page.refused(new AppEdit.UseField(PAGE, CALL, FieldPath.of("jobs"), true)))
        .containsExactly("APP_FIELD_MISSING");
  }

  @Test
  void parametersAreFilledFromAFormFixedOrLeftOut() {
    Builder page = new Builder().start("FindJobs");
    FieldPath basin = FieldPath.of("basin");

    page.edit(new AppEdit.FillParameter(PAGE, CALL, basin, Optional.of(new Source.Fixed("inner"))));
    assertThat(page.parts()).contains("form [Trace, Day, From, To, Tag]");
    page.edit(new AppEdit.FillParameter(PAGE, CALL, basin, Optional.empty()));
    page.edit(
        new AppEdit.FillParameter(
            PAGE, CALL, basin, Optional.of(new Source.Entered(new PartId("new")))));
    assertThat(page.parts()).contains("form [Trace, Day, From, To, Tag, Basin]");
    assertThat(
            page.refused(
                new AppEdit.FillParameter(
                    PAGE, CALL, basin, Optional.of(new Source.Returned(FieldPath.of("job"))))))
        .containsExactly("APP_SOURCE_OWN_ANSWER");
  }

  @Test
  void wordsAndOrderAreThePagesOwn() {
    Builder page =
        new Builder()
            .start("FindJobs", FieldPath.of("job", "number"), FieldPath.of("job", "depth"));
    PartId table = new PartId("table");

    page.edit(new AppEdit.Relabel(PAGE, table, Optional.of(new PartId("depth")), " Metres "))
        .edit(new AppEdit.MoveItem(PAGE, table, new PartId("depth"), -5))
        .edit(new AppEdit.MovePart(PAGE, table, -1))
        .edit(new AppEdit.AddText(PAGE, "Look here"))
        .edit(new AppEdit.RenamePage(PAGE, "Jobs"));

    assertThat(page.parts())
        .containsExactly(
            "text Look here",
            "form [Trace, Basin, Day, From, To, Tag]",
            "table Job [Metres, Number]",
            "button Find jobs");
    assertThat(page.page().name()).isEqualTo("Jobs");
    assertThat(
            page.refused(new AppEdit.Relabel(PAGE, table, Optional.of(new PartId("depth")), " ")))
        .containsExactly("APP_LABEL_EMPTY");
  }

  @Test
  void aRemovedPartTakesItsMappingsAlong() {
    Builder page = new Builder().start("FindJobs", FieldPath.of("job", "number"));

    page.edit(new AppEdit.RemovePart(PAGE, new PartId("form")))
        .edit(new AppEdit.RemovePart(PAGE, new PartId("send")));

    assertThat(page.page().call(CALL).orElseThrow().goesIn()).isEmpty();
    assertThat(page.page().reactions()).isEmpty();
    assertThat(page.refused(new AppEdit.RemovePart(PAGE, new PartId("send"))))
        .containsExactly("APP_PART_MISSING");
  }

  @Test
  void pressingTheButtonAsksForTheCallAndTheAnswerFillsTheTable() {
    Builder built =
        new Builder()
            .start("FindJobs", FieldPath.of("job", "number"), FieldPath.of("job", "group", "buoy"));
    PageRunner runner = new PageRunner(built.page());
    PageState typed =
        runner
            .step(
                PageState.empty(),
                new PageEvent.Entered(new PartId("day"), Value.text("2031-05-14")))
            .state();

    PageRunner.Outcome pressed = runner.step(typed, new PageEvent.Pressed(new PartId("send")));

    PageEffect.RunCall call = (PageEffect.RunCall) pressed.effects().get(0);
    assertThat(call.parameters())
        .isEqualTo(
            RecordValue.of(
                Map.of("choice", RecordValue.of(Map.of("day", new TextValue("2031-05-14"))))));
    RecordValue answer =
        RecordValue.of(Map.of("job", ListValue.of(job("J-0001", "B1", "B2"), job("J-0002"))));
    PageState filled = runner.step(pressed.state(), new PageEvent.Answered(call, answer)).state();
    ListValue rows = (ListValue) filled.contents().get(new PartId("table"));
    assertThat(rows.items())
        .extracting(
            row -> ((RecordValue) row).get("number"), row -> ((RecordValue) row).get("buoy"))
        .containsExactly(
            tuple(Value.text("J-0001"), ListValue.of(Value.text("B1"), Value.text("B2"))),
            tuple(Value.text("J-0002"), Value.ABSENT));

    PageState failed =
        runner.step(filled, new PageEvent.CallFailed(call, "The tide is out.")).state();
    assertThat(failed.messages()).containsExactly(new PageState.Message(true, "The tide is out."));
    assertThat(failed.contents()).isEqualTo(filled.contents());
  }

  private static RecordValue job(String number, String... buoys) {
    List<Value> groups =
        List.of(buoys).stream()
            .map(buoy -> (Value) RecordValue.of(Map.of("buoy", Value.text(buoy))))
            .toList();
    return RecordValue.of(Map.of("number", Value.text(number), "group", new ListValue(groups)));
  }

  @Test
  void onlyFieldsThatAreShownAreAskedOfAnAnswer() {
    Builder built = new Builder().start("FindJobs", FieldPath.of("job", "number"));

    assertThat(MappingOut.wanted(built.page().call(CALL).orElseThrow().comesBack()))
        .containsExactly(FieldPath.of("job", "number"));
  }

  @Test
  void labelsReadLikeWords() {
    assertThat(List.of("hullNumber", "ETA_utc", "IMDGClass", "x", "__", "berth-no.2"))
        .extracting(Labels::of)
        .containsExactly("Hull number", "ETA utc", "IMDG class", "X", "__", "Berth no 2");
  }
}
