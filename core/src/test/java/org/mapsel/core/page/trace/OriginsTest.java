package org.mapsel.core.page.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.edit.AddText;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.page.edit.PutDerivedField;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import tools.jackson.databind.json.JsonMapper;

/** Follows values of a page back to answers, and values of answers to the page. */
class OriginsTest {

  private static final FieldPath NUMBER = FieldPath.of("job", "number");
  private static final FieldPath BUOY = FieldPath.of("job", "group", "buoy");

  private static RecordValue value(String json) {
    return ValueJson.readRecord(new JsonMapper().readTree(json.replace('\'', '"')));
  }

  private static final RecordValue JOBS =
      value(
          """
          {'job':[{'number':'J-1','group':[{'buoy':'B-1'},{'buoy':'B-2'}]},
                  {'number':'J-2','group':[{'buoy':'B-1'}]}]}""");

  private static PageBench jobs(FieldPath... fields) {
    return new PageBench()
        .with("dredging", "/descriptions/dredging.wsdl")
        .start("dredging", "FindJobs", fields)
        .pressAndAnswer(JOBS);
  }

  private static Origins origins(PageBench bench) {
    return new Origins(
        bench.plan(),
        new PageReach(bench.app(), bench.page(), bench.lookup()),
        bench.state(),
        PageBench.NOW);
  }

  private static List<String> places(Origin origin) {
    return origin.returned().orElseThrow().places().stream().map(FieldPath::toString).toList();
  }

  @Test
  void aCellOfARowHasItsPlaceInTheAnswer() {
    PageBench bench = jobs(NUMBER, BUOY);
    PartId number = bench.item("Number").id();
    PartId buoy = bench.item("Buoy").id();
    Origins origins = origins(bench);

    Origin second = origins.of(number, Optional.of(1)).orElseThrow();
    assertThat(places(second)).containsExactly("job › number 2 › number");
    assertThat(second.value()).isEqualTo(new TextValue("J-2"));
    assertThat(places(origins.of(buoy, Optional.of(0)).orElseThrow()))
        .as("a list in a row")
        .containsExactly(
            "job › number 1 › group › number 1 › buoy", "job › number 1 › group › number 2 › buoy");
    assertThat(origins.of(number, Optional.of(7)).orElseThrow().returned())
        .as("there is no such row")
        .isEmpty();
    assertThat(origins.of(new PartId("gone"), Optional.empty())).isEmpty();
  }

  @Test
  void aPlaceInTheAnswerIsSeenWhereItsCellIs() {
    PageBench bench = jobs(NUMBER, BUOY);
    PartId table = bench.part(Part.Table.class).id();
    CallId call = bench.call().id();
    Origins origins = origins(bench);

    for (Part.OverRows over : List.of((Part.OverRows) bench.page().part(table).orElseThrow())) {
      over.items()
          .forEach(
              column -> {
                for (int row = 0; row < 2; row++) {
                  ShownAt here = new ShownAt(table, Optional.of(column.id()), Optional.of(row));
                  origins.of(column.id(), Optional.of(row)).stream()
                      .flatMap(origin -> origin.returned().stream())
                      .flatMap(in -> in.places().stream())
                      .forEach(
                          place -> assertThat(origins.shown(call, place)).containsExactly(here));
                }
              });
    }
    assertThat(origins.shown(call, FieldPath.of("job"))).isEmpty();
    assertThat(origins.shown(new CallId("gone"), NUMBER)).isEmpty();
  }

  @Test
  void aFormulaComesFromAllThatItNames() {
    PageBench bench = jobs(NUMBER);
    bench.edit(new AddText(bench.page().id(), "There are"));
    PartId text = bench.part(Part.Text.class).id();
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), text, Part.HEADING),
            Optional.of(
                new Source.Formula("string(size(FindJobs.job)) + ' in ' + string(today)"))));

    Origin origin = origins(bench).of(text, Optional.empty()).orElseThrow();
    assertThat(origin.from())
        .extracting(Origin::source)
        .containsExactly(
            new Source.Returned(bench.call().id(), FieldPath.ROOT),
            new Source.Run(Source.Run.What.TODAY));
  }

  @Test
  void anInputComesFromWhatWasTypedOrElseFromWhereItStarts() {
    PageBench bench = jobs(NUMBER);
    Input tag = (Input) bench.item("Tag");
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), tag.id(), Input.START),
            Optional.of(new Source.Fixed("T-9"))));

    Origin started = origins(bench).of(tag.id(), Optional.empty()).orElseThrow();
    assertThat(started.value()).isEqualTo(new TextValue("T-9"));
    assertThat(started.from()).extracting(Origin::source).containsExactly(new Source.Fixed("T-9"));

    bench.type("Tag", "T-1");
    Origin typed = origins(bench).of(tag.id(), Optional.empty()).orElseThrow();
    assertThat(typed.value()).isEqualTo(new TextValue("T-1"));
    assertThat(typed.from()).isEmpty();
  }

  @Test
  void aKeyThatIsLookedUpLeadsToItsEntry() {
    Service berthing = Descriptions.service("/descriptions/keyed-parts.yaml");
    FieldPath hull = FieldPath.of("hullNumber");
    PageBench bench =
        new PageBench().with("berthing", berthing).start("berthing", "VesselParticulars", hull);
    bench.edit(
        new PutDerivedField(
            FieldRef.at(
                    "berthing",
                    berthing.shapes(),
                    Descriptions.operation(berthing, "VesselParticulars").output(),
                    hull)
                .orElseThrow()
                .owner(),
            "Length",
            new DerivedField.Rule.LookedUp(
                FieldPath.of("entry"), "key", "LOA", "value", Optional.empty()),
            Optional.empty()));
    bench.edit(
        new UseField(
            bench.page().id(), bench.call().id(), FieldPath.ROOT, Optional.of("Length"), true));
    bench.pressAndAnswer(
        value(
            "{'hullNumber':'S-1','entry':[{'key':'FLAG','value':'green'},{'key':'LOA','value':'90'}]}"));

    Origin length = origins(bench).of(bench.item("Length").id(), Optional.empty()).orElseThrow();
    assertThat(places(length)).containsExactly("entry › number 2 › value");
    assertThat(length.how()).isEqualTo("key = LOA");
    assertThat(
            origins(bench)
                .shown(bench.call().id(), length.returned().orElseThrow().places().getFirst()))
        .extracting(ShownAt::item)
        .containsExactly(Optional.of(bench.item("Length").id()));
  }

  @Test
  void aChosenRowLeadsToItsPlaceToo() {
    PageBench bench = jobs(NUMBER);
    PartId table = bench.part(Part.Table.class).id();
    bench.edit(new AddText(bench.page().id(), "Chosen"));
    PartId text = bench.part(Part.Text.class).id();
    bench.edit(
        new FillSlot(
            new SlotId.OfPart(bench.page().id(), text, Part.HEADING),
            Optional.of(new Source.Chosen(table, FieldPath.of("number")))));
    assertThat(origins(bench).of(text, Optional.empty()).orElseThrow().returned()).isEmpty();

    bench.step(new PageEvent.RowChosen(table, 1));
    assertThat(places(origins(bench).of(text, Optional.empty()).orElseThrow()))
        .containsExactly("job › number 2 › number");
    assertThat(
            origins(bench)
                .shown(
                    bench.call().id(),
                    origins(bench)
                        .of(text, Optional.empty())
                        .orElseThrow()
                        .returned()
                        .orElseThrow()
                        .places()
                        .getFirst()))
        .extracting(ShownAt::part)
        .containsExactly(text, table);
  }

  @Test
  void formulasThatNameEachOtherAreFollowedToAnEnd() {
    PageBench bench = jobs(NUMBER);
    List<Input> inputs = bench.page().inputs().toList();
    String all =
        inputs.stream()
            .map(input -> "string(" + input.id().text().replaceFirst("_\\d+$", "") + ")")
            .collect(Collectors.joining(" + "));
    for (Input input : inputs) {
      bench.edit(
          new FillSlot(
              new SlotId.OfPart(bench.page().id(), input.id(), Input.START),
              Optional.of(new Source.Formula(all))));
    }
    Origin origin = origins(bench).of(inputs.getFirst().id(), Optional.empty()).orElseThrow();
    assertThat(count(origin)).isBetween(inputs.size(), 500);
  }

  private static int count(Origin origin) {
    return 1 + origin.from().stream().mapToInt(OriginsTest::count).sum();
  }
}
