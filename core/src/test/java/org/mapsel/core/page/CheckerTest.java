package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Choice;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.MoveToEdition;
import org.mapsel.core.page.edit.PutValueList;
import org.mapsel.core.page.edit.RemovePart;
import org.mapsel.core.page.edit.RenamePage;
import org.mapsel.core.page.edit.SetInputKind;
import org.mapsel.core.page.edit.ShowField;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.ref.Step;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What is found wrong with apps, and mended. */
class CheckerTest {

  private static PageBench berthing(String operation, FieldPath... fields) {
    return new PageBench()
        .with("berthing", "/descriptions/keyed-parts.yaml")
        .start("berthing", operation, fields);
  }

  private static PageBench dredging() {
    return new PageBench()
        .with("dredging", "/descriptions/dredging.wsdl")
        .start("dredging", "PlanJob");
  }

  /** Mends with the first repair of each finding until there is nothing left. */
  private static void mend(PageBench bench) {
    for (int i = 0; i < 20; i++) {
      Optional<AppFinding> first =
          bench.check().findings().stream().filter(found -> !found.repairs().isEmpty()).findFirst();
      if (first.isEmpty()) {
        return;
      }
      bench.edit(first.get().repairs().get(0).edit());
    }
  }

  @Test
  void aFreshPageHasNothingToMend() {
    assertThat(dredging().findings()).isEmpty();
    assertThat(berthing("VesselParticulars").findings()).isEmpty();
  }

  @Test
  void aRequiredParameterThatNothingFillsIsFoundAndAskedFor() {
    PageBench bench = dredging();
    PartId form = bench.part(Part.Form.class).id();
    bench.edit(new RemovePart(bench.page().id(), form));

    assertThat(bench.findings()).isNotEmpty().containsOnly("PAGE_PARAMETER_UNFILLED");
    mend(bench);
    assertThat(bench.findings()).isEmpty();
  }

  @Test
  void buttonsCallsAndInputsThatDoNothingAreFound() {
    PageBench bench = dredging();
    PageId page = bench.page().id();
    bench.edit(new RemovePart(page, bench.part(Part.Button.class).id()));
    assertThat(bench.findings()).containsExactly("PAGE_CALL_IDLE");
    mend(bench);
    assertThat(bench.findings()).isEmpty();

    bench =
        new PageBench()
            .with("dredging", "/descriptions/dredging.wsdl")
            .start("dredging", "FindJobs");
    SlotId slot = bench.parameter("trace");
    PartId input = bench.page().inputs().findFirst().orElseThrow().id();
    Page direct = bench.page().with(slot, Optional.of(Mapping.fixed("true")));
    bench.app(bench.app().with(direct));
    assertThat(bench.findings()).containsExactly("PAGE_INPUT_IDLE");
    mend(bench);
    assertThat(bench.page().item(input)).isEmpty();
  }

  @Test
  void anInputThatTakesOnlyWhatIsOfferedAndOffersNothingIsFound() {
    PageBench bench = dredging();
    PageId page = bench.page().id();
    PartId input = bench.item("Number").id();
    for (Input.Kind kind : List.of(Input.Kind.CHOICE, Input.Kind.BUTTONS, Input.Kind.SEARCH)) {
      bench.edit(new SetInputKind(page, input, Optional.of(kind)));
      assertThat(bench.findings()).containsExactly("PAGE_CHOICE_EMPTY");
    }
    mend(bench);
    assertThat(bench.findings()).isEmpty();
  }

  @Test
  void whatIsNotInThePinnedEditionIsFoundAndTheMoveOffered() {
    PageBench bench =
        new PageBench()
            .with("lamps", "/editions/lamps-1.yaml")
            .newer("lamps", "lamps-2", "/editions/lamps-2.yaml")
            .start("lamps", "listLamps", FieldPath.of("items", "code"));

    assertThat(
            bench.refused(
                new UseField(
                    bench.page().id(),
                    bench.call().id(),
                    FieldPath.of("items", "watts"),
                    Optional.empty(),
                    true)))
        .containsExactly("APP_FIELD_NEWER");
    bench.edit(new MoveToEdition("lamps", "lamps-2")).use("items", "watts");
    assertThat(bench.findings()).isEmpty();
    bench.edit(new MoveToEdition("lamps", "lamps"));
    assertThat(bench.findings()).containsExactly("MAPPING_FIELD_GONE");
    AppFinding gone = bench.check().findings().get(0);
    assertThat(gone.repairs().get(0).edit()).isEqualTo(new MoveToEdition("lamps", "lamps-2"));
    mend(bench);
    assertThat(bench.findings()).isEmpty();
    assertThat(bench.parts()).anyMatch(part -> part.contains("Watts"));
  }

  @Test
  void formulasKeysSecretsAndLabelsAreLookedAt() {
    FieldPath loa = FieldPath.of("entry").then(new Step.PickByKey("key", "LOAD")).then("value");
    PageBench bench = answered(berthing("VesselParticulars", loa), "LOA");
    assertThat(codes(bench)).containsExactly("PAGE_KEY_UNSEEN");

    PageId page = bench.page().id();
    PartId record = bench.part(Part.Record.class).id();
    bench.edit(
        new ShowField(page, record, new Source.Formula("VesselParticulars.hullNumber + nothing")));
    assertThat(bench.findings()).containsExactly("FORMULA_WRONG");
    mend(bench);
    assertThat(bench.findings()).isEmpty();
  }

  @Test
  void whatLosesOrCannotBeConvertedIsTold() {
    PageBench bench =
        new PageBench()
            .with("dredging", "/descriptions/dredging.wsdl")
            .start("dredging", "FindJobs");
    SlotId slot = bench.parameter("choice", "day");

    assertThat(
            bench.refused(
                new FillSlot(
                    slot, Optional.of(new Source.Returned(new CallId("gone"), FieldPath.ROOT)))))
        .containsExactly("MAPPING_SOURCE_GONE");
    bench.edit(new FillSlot(slot, Optional.of(new Source.Run(Source.Run.What.NOW))));
    assertThat(bench.check().findings())
        .extracting(found -> found.finding().code())
        .contains("MAPPING_LOSES");
  }

  @Test
  void aNewAnswerIsLookedAtAndThePlanStays() {
    FieldPath load = FieldPath.of("entry").then(new Step.PickByKey("key", "LOAD")).then("value");
    PageBench bench = answered(berthing("VesselParticulars", load), "LOA");
    assertThat(codes(bench)).containsExactly("PAGE_KEY_UNSEEN");
    PagePlan before = bench.check().pages().get(bench.page().id()).plan();

    assertThat(codes(answered(bench, "LOAD"))).isEmpty();
    assertThat(codes(answered(bench, "LOA"))).containsExactly("PAGE_KEY_UNSEEN");
    assertThat(bench.check().pages().get(bench.page().id()).plan()).isSameAs(before);
  }

  private static List<String> codes(PageBench bench) {
    return bench.check().findings().stream().map(found -> found.finding().code()).toList();
  }

  /** The particulars of a vessel were asked for once more, and came with one entry. */
  private static PageBench answered(PageBench bench, String key) {
    RecordValue entry = RecordValue.of(Map.of("key", Value.text(key), "value", Value.text("1")));
    return bench.answered(
        "berthing", "VesselParticulars", RecordValue.of(Map.of("entry", ListValue.of(entry))));
  }

  @Test
  void onlyPagesThatChangedAreLookedAtAgain() {
    PageBench bench = dredging();
    bench.start("dredging", "FindJobs");
    PageId first = bench.app().pages().get(0).id();
    PagePlan before = bench.check().pages().get(first).plan();

    bench.edit(new RenamePage(bench.page().id(), "Jobs"));
    assertThat(bench.check().pages().get(first).plan()).isSameAs(before);
    bench.edit(
        new PutValueList(
            Optional.empty(), "States", List.of(new Choice("D", "due")), Optional.empty()));
    assertThat(bench.check().pages().get(first).plan()).isNotSameAs(before);
  }
}
