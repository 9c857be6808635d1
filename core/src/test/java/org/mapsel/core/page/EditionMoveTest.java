package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.check.Checker;
import org.mapsel.core.page.check.EditionMove;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.AppEditor;
import org.mapsel.core.page.edit.ChooseInside;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.MoveToEdition;
import org.mapsel.core.page.edit.PutDerivedField;
import org.mapsel.core.page.edit.SetModelField;
import org.mapsel.core.page.edit.Together;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;

/** An app moves to a newer edition of a service that it uses. */
class EditionMoveTest {

  private static Service berths(String required, String in, String out) {
    return berths(required, in, out, "find");
  }

  private static Service berths(String required, String in, String out, String operation) {
    String text =
        """
        {"openapi":"3.1.0","info":{"title":"Berths","version":"1"},"servers":[{"url":"http://localhost:1"}],
         "paths":{"/berths":{"get":{"operationId":"%s","parameters":[%s],
           "responses":{"200":{"description":"ok","content":{"application/json":{"schema":{"type":"object","properties":
             {"berths":{"type":"array","items":{"$ref":"#/components/schemas/Berth"}}}}}}}}}}},
         "components":{"schemas":{"Berth":{"type":"object","required":[%s],"properties":{%s}}}}}"""
            .formatted(operation, in, required, out);
    return Descriptions.serviceOf(text);
  }

  private static final String BASIN =
      "{\"name\":\"basinName\",\"in\":\"query\",\"schema\":{\"type\":\"string\"}}";
  private static final Service OLD =
      berths(
          "",
          BASIN,
          "\"berthCode\":{\"type\":\"string\"},\"fee\":{\"type\":\"number\"},\"remark\":{\"type\":\"string\"}");
  private static final Service NEW =
      berths(
          "",
          BASIN.replace("basinName", "basin_name")
              + ",{\"name\":\"day\",\"in\":\"query\",\"required\":true,\"schema\":{\"type\":\"string\",\"format\":\"date\"}},"
              + "{\"name\":\"tide\",\"in\":\"query\",\"required\":true,\"schema\":{\"type\":\"string\",\"enum\":[\"low\",\"high\"]}}",
          "\"berth_code\":{\"type\":\"string\"},\"fee\":{\"type\":\"number\"}");

  private final PageBench bench = new PageBench().with("berths", OLD).with("next", NEW);

  private static FieldRef code() {
    return FieldRef.at(
            "berths",
            OLD.shapes(),
            Descriptions.operation(OLD, "find").output(),
            FieldPath.of("berths", "berthCode"))
        .get();
  }

  private void build() {
    bench.start(
        "berths",
        "find",
        FieldPath.of("berths", "berthCode"),
        FieldPath.of("berths", "fee"),
        FieldPath.of("berths", "remark"));
    FieldRef code = code();
    bench.edit(
        new PutDerivedField(
            code.owner(),
            "Sign",
            new DerivedField.Rule.Computed("'berthCode ' + berthCode"),
            Optional.empty()));
    bench.edit(
        new SetModelField(code, Optional.empty(), Optional.empty(), Overrides.labelled("Code")));
  }

  @Test
  void fieldsChosenForRowsInsideRowsAreFollowedToo() {
    String visits =
        "\"visits\":{\"type\":\"array\",\"items\":{\"type\":\"object\",\"properties\":"
            + "{\"shipName\":{\"type\":\"string\"},\"remark\":{\"type\":\"string\"}}}}";
    PageBench nested =
        new PageBench()
            .with("berths", berths("", BASIN, visits))
            .with("next", berths("", BASIN, visits.replace("shipName", "ship_name")))
            .start("berths", "find", FieldPath.of("berths", "visits"));
    PartId column = nested.item("Visits").id();
    nested.edit(new ChooseInside(nested.page().id(), column, List.of("remark", "shipName")));
    EditionMove move =
        EditionMove.of(nested.app(), "berths", "next", nested.lookup(), SeenSamples.NONE).get();

    List<AppEdit> edits = new ArrayList<>(move.follows());
    edits.add(new MoveToEdition("berths", "next"));
    nested.edit(new Together("Move", edits));
    assertThat(((Shown) nested.page().item(column).orElseThrow().item()).inside())
        .containsExactly("remark", "ship_name");
    assertThat(nested.findings()).isEmpty();
  }

  @Test
  void whatIsCalledOtherwiseIsFollowedAndTheRestIsMended() {
    build();
    EditionMove move =
        EditionMove.of(bench.app(), "berths", "next", bench.lookup(), SeenSamples.NONE).get();

    assertThat(move.follows())
        .extracting(AppEdit::title)
        .containsExactlyInAnyOrder(
            "Follow basinName to basin_name", "Follow berthCode to berth_code");
    assertThat(move.findings())
        .extracting(found -> found.finding().code())
        .containsExactlyInAnyOrder(
            "PAGE_PARAMETER_UNFILLED", "PAGE_PARAMETER_UNFILLED", "MAPPING_FIELD_GONE");
    assertThat(move.findings()).allSatisfy(found -> assertThat(found.repairs()).isNotEmpty());

    List<AppEdit> edits = new ArrayList<>(move.follows());
    edits.add(new MoveToEdition("berths", "next"));
    move.findings().forEach(found -> edits.add(found.repairs().getFirst().edit()));
    App before = bench.app();
    List<String> known = codes(before);
    bench.edit(new Together("Move", edits));

    assertThat(codes(bench.app())).isEqualTo(known);
    assertThat(bench.app().edition("berths")).contains("next");
    assertThat(bench.app().model().typeOf(code().owner()).get().derived("Sign").get().rule())
        .isEqualTo(new DerivedField.Rule.Computed("'berthCode ' + berth_code"));
    FieldRef followed =
        FieldRef.at(
                "berths",
                NEW.shapes(),
                Descriptions.operation(NEW, "find").output(),
                FieldPath.of("berths", "berth_code"))
            .get();
    assertThat(bench.app().model().set(followed).label()).contains("Code");
  }

  @Test
  void everyRepairMendsWhatTheMoveBrought() {
    build();
    EditionMove move =
        EditionMove.of(bench.app(), "berths", "next", bench.lookup(), SeenSamples.NONE).get();
    List<AppEdit> moving = new ArrayList<>(move.follows());
    moving.add(new MoveToEdition("berths", "next"));
    App moved =
        new AppEditor(bench.lookup()).apply(bench.app(), new Together("Move", moving)).get();
    List<String> tried = new ArrayList<>();
    for (AppFinding found : move.findings()) {
      for (AppFinding.Repair repair : found.repairs()) {
        App mended = new AppEditor(bench.lookup()).apply(moved, repair.edit()).get();
        assertThat(findings(mended)).as(repair.words()).doesNotContain(found.finding());
        assertThat(codes(mended)).as(repair.words()).hasSize(codes(moved).size() - 1);
        tried.add(repair.words());
      }
    }
    assertThat(tried).contains("Ask for it", "Always send high", "Take it off the page");
  }

  @Test
  void whatStandsInAnotherGroupIsFollowedInFormulasToo() {
    String code = "\"code\":{\"type\":\"string\"}";
    String group = "\"%s\":{\"type\":\"object\",\"properties\":{%s}}";
    String fee = "\"fee\":{\"type\":\"number\"}";
    String length = "\"length\":{\"type\":\"number\"}";
    Service old = berths("", BASIN, String.join(",", code, fee, group.formatted("size", length)));
    Service now =
        berths(
            "",
            BASIN,
            String.join(
                ",", code, group.formatted("dues", fee), group.formatted("limits", length)));
    bench.with("flat", old).with("grouped", now);
    FieldRef feeRef = at(old, "berths", "fee");
    bench.start(
        "flat",
        "find",
        FieldPath.of("berths", "code"),
        FieldPath.of("berths", "fee"),
        FieldPath.of("berths", "size", "length"));
    bench.edit(
        new SetModelField(feeRef, Optional.empty(), Optional.empty(), Overrides.labelled("Due")));
    bench.edit(
        new PutDerivedField(
            at(old, "berths").owner(),
            "Dearest",
            new DerivedField.Rule.Folded(FieldPath.of("berths", "fee"), DerivedField.Fold.MOST, ""),
            Optional.empty()));
    slot("fee", "fee * 2.0 + row.size.length + (code == 'fee' ? 1.0 : 0.0)");
    slot("code", "find.berths.map(b, b.fee + b.size.length)");
    List<String> known = codes(bench.app());
    assertThat(known).isEmpty();

    EditionMove move =
        EditionMove.of(bench.app(), "flat", "grouped", bench.lookup(), SeenSamples.NONE).get();

    assertThat(move.follows())
        .extracting(AppEdit::title)
        .containsExactlyInAnyOrder("Follow size to limits", "Follow fee to dues › fee");
    assertThat(move.findings()).isEmpty();
    List<AppEdit> edits = new ArrayList<>(move.follows());
    edits.add(new MoveToEdition("flat", "grouped"));
    bench.edit(new Together("Move", edits));
    assertThat(codes(bench.app())).isEmpty();
    assertThat(sources())
        .contains(
            new Source.Formula("dues.fee * 2.0 + row.limits.length + (code == 'fee' ? 1.0 : 0.0)"),
            new Source.Formula("find.berths.map(b, b.dues.fee + b.limits.length)"),
            new Source.Row(FieldPath.of("limits", "length")));
    assertThat(bench.app().model().set(at(now, "berths", "dues", "fee")).label()).contains("Due");
    assertThat(bench.app().model().typeOf(at(old, "berths").owner()).get().derived("Dearest").get())
        .extracting(DerivedField::rule)
        .isEqualTo(
            new DerivedField.Rule.Folded(
                FieldPath.of("berths", "dues", "fee"), DerivedField.Fold.MOST, ""));
  }

  @Test
  void anOperationUnderAnotherNameIsFollowedInCallsAndFormulas() {
    Service old = berths("", BASIN, "\"code\":{\"type\":\"string\"}");
    Service now = berths("", BASIN, "\"berth_code\":{\"type\":\"string\"}", "search");
    bench.with("flat", old).with("other", now);
    bench.start("flat", "find", FieldPath.of("berths", "code"));
    slot("code", "find.berths.map(b, b.code)");

    EditionMove move =
        EditionMove.of(bench.app(), "flat", "other", bench.lookup(), SeenSamples.NONE).get();

    assertThat(move.follows())
        .extracting(AppEdit::title)
        .containsExactly("Follow code to berth_code", "Follow find to search");
    assertThat(move.findings()).isEmpty();
    List<AppEdit> edits = new ArrayList<>(move.follows());
    edits.add(new MoveToEdition("flat", "other"));
    bench.edit(new Together("Move", edits));
    assertThat(codes(bench.app())).isEmpty();
    assertThat(bench.call().operation().text()).isEqualTo("search");
    assertThat(sources()).contains(new Source.Formula("search.berths.map(b, b.berth_code)"));
  }

  private static FieldRef at(Service service, String... path) {
    return FieldRef.at(
            "flat",
            service.shapes(),
            Descriptions.operation(service, "find").output(),
            FieldPath.of(path))
        .get();
  }

  private List<Source> sources() {
    return bench.page().slots().stream().map(slot -> slot.mapping().source()).toList();
  }

  /** Puts a formula in the place of a column. */
  private void slot(String column, String formula) {
    SlotId slot =
        bench.page().slots().stream()
            .filter(one -> one.mapping().source().equals(new Source.Row(FieldPath.of(column))))
            .map(Slot::id)
            .findFirst()
            .get();
    bench.edit(new FillSlot(slot, Optional.of(new Source.Formula(formula))));
  }

  private List<String> codes(App app) {
    return findings(app).stream().map(Finding::code).toList();
  }

  private List<Finding> findings(App app) {
    return new Checker(bench.lookup())
        .check(app, Optional.empty()).findings().stream().map(AppFinding::finding).toList();
  }
}
