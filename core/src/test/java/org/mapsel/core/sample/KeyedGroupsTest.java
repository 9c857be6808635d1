package org.mapsel.core.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.page.edit.PutDerivedField;
import org.mapsel.core.page.edit.UseField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.json.JsonMapper;

/** Keys that only samples tell of, from recognising them to their values on a page. */
class KeyedGroupsTest {

  private static final Service BERTHING = Descriptions.service("/descriptions/keyed-parts.yaml");
  private static final Operation PARTICULARS =
      Descriptions.operation(BERTHING, "VesselParticulars");
  private static final RecordValue SAMPLE =
      value(
          """
          {'hullNumber':'S-20417','entry':[
            {'key':'LOA','value':'129.7'},{'key':'MOOR','value':'6 lines'},{'key':'FLAG','value':'6 lines'}]}""");

  private static RecordValue value(String json) {
    return ValueJson.readRecord(new JsonMapper().readTree(json.replace('\'', '"')));
  }

  private static List<String> keyed(Operation operation, Service service, Value sample) {
    List<FieldTree.Row> rows =
        FieldTree.rows(service.shapes(), operation.output(), FieldTree.Limit.SCREEN);
    return KeyedGroups.with(rows, service.shapes(), sample).stream()
        .filter(row -> row.path().key().isPresent())
        .map(row -> row.field().name() + " at " + row.path() + " = " + plain(sample.at(row.path())))
        .toList();
  }

  private static String plain(Value value) {
    return value instanceof TextValue text ? text.text() : value.toString();
  }

  @Test
  void eachKeyOfASampleIsAField() {
    assertThat(keyed(PARTICULARS, BERTHING, SAMPLE))
        .containsExactly(
            "LOA at entry › key = LOA › value = 129.7",
            "MOOR at entry › key = MOOR › value = 6 lines",
            "FLAG at entry › key = FLAG › value = 6 lines");
  }

  @Test
  void keysThatStandTwiceAreNone() {
    assertThat(
            keyed(
                PARTICULARS,
                BERTHING,
                value("{'entry':[{'key':'A','value':'1'},{'key':'A','value':'1'}]}")))
        .isEmpty();
    assertThat(keyed(PARTICULARS, BERTHING, value("{'entry':[]}"))).isEmpty();
    assertThat(keyed(PARTICULARS, BERTHING, Value.ABSENT)).isEmpty();
  }

  @Test
  void rowsOfManyFieldsAreNoKeyedGroup() {
    Operation arrivals = Descriptions.operation(BERTHING, "ListArrivals");
    Value sample =
        SampleMaker.make(BERTHING.shapes(), arrivals.output(), SampleMaker.Extent.EVERYTHING);

    assertThat(keyed(arrivals, BERTHING, sample)).isEmpty();
  }

  @Test
  void aKeyOnAPageShowsItsValueWhereverItStandsInTheList() {
    FieldPath moor = FieldPath.of("entry").then(new Step.PickByKey("key", "MOOR")).then("value");
    PageBench bench =
        new PageBench()
            .with("berthing", "/descriptions/keyed-parts.yaml")
            .start("berthing", "VesselParticulars", FieldPath.of("hullNumber"), moor)
            .pressAndAnswer(SAMPLE);

    assertThat(bench.parts()).contains("record [Hull number, MOOR]");
    assertThat(bench.plan().wanted().get(bench.call().id()))
        .as("what must be read of an answer")
        .containsExactlyInAnyOrder(
            FieldPath.of("hullNumber"),
            FieldPath.of("entry", "key"),
            FieldPath.of("entry", "value"));
    assertThat(bench.fields()).containsExactly("S-20417", "6 lines");
  }

  @Test
  void whatIsDerivedOfAWholeAnswerNeedsAllOfIt() {
    FieldPath hull = FieldPath.of("hullNumber");
    PageBench bench =
        new PageBench()
            .with("berthing", "/descriptions/keyed-parts.yaml")
            .start("berthing", "VesselParticulars", hull);
    Optional<FieldRef> answer =
        FieldRef.at("berthing", BERTHING.shapes(), PARTICULARS.output(), hull);
    bench.edit(
        new PutDerivedField(
            answer.orElseThrow().owner(),
            "Length",
            new DerivedField.Rule.LookedUp(
                FieldPath.of("entry"), "key", "LOA", "value", Optional.empty()),
            Optional.empty()));
    assertThat(bench.plan().wanted()).containsKey(bench.call().id());

    bench.edit(
        new UseField(
            bench.page().id(), bench.call().id(), FieldPath.ROOT, Optional.of("Length"), true));
    assertThat(bench.plan().wanted()).doesNotContainKey(bench.call().id());
  }

  @Test
  void keysInsideOfRowsAreFieldsOfTheRows() {
    Operation vessels = Descriptions.operation(BERTHING, "ListVessels");
    RecordValue sample =
        value(
            """
            {'vessels':[
              {'name':'Sable','particulars':[{'item':'LOA','said':'129.7'},{'item':'FLAG','said':'none'}]},
              {'name':'Skua','particulars':[{'item':'FLAG','said':'green'}]},
              {'name':'Shag','particulars':[{'item':'FLAG','said':'green'},{'item':'LOA','said':'88'}]}]}""");
    assertThat(keyed(vessels, BERTHING, sample))
        .extracting(line -> line.replaceFirst(" = [^›]*$", ""))
        .containsExactly(
            "LOA at vessels › particulars › item = LOA › said",
            "FLAG at vessels › particulars › item = FLAG › said");

    FieldPath name = FieldPath.of("vessels", "name");
    FieldPath loa =
        FieldPath.of("vessels", "particulars").then(new Step.PickByKey("item", "LOA")).then("said");
    PageBench bench =
        new PageBench()
            .with("berthing", "/descriptions/keyed-parts.yaml")
            .start("berthing", "ListVessels", name, loa)
            .pressAndAnswer(sample);
    assertThat(bench.parts()).contains("table Vessels [Name, LOA]");
    assertThat(bench.cells())
        .containsExactly(List.of("Sable", "129.7"), List.of("Skua", ""), List.of("Shag", "88"));
  }

  @Test
  void pairsInsideOfRowsThatNeverRecurAreNoKeys() {
    Operation vessels = Descriptions.operation(BERTHING, "ListVessels");
    RecordValue sample =
        value(
            """
            {'vessels':[
              {'particulars':[{'item':'a','said':'1'},{'item':'b','said':'1'}]},
              {'particulars':[{'item':'c','said':'1'},{'item':'d','said':'1'}]}]}""");
    assertThat(keyed(vessels, BERTHING, sample)).isEmpty();
  }

  @Test
  void aNameThatLooksLikeAKeyIsAName() {
    PageBench bench =
        new PageBench()
            .with("berthing", "/descriptions/keyed-parts.yaml")
            .start("berthing", "ListReadings", FieldPath.of("readings", "at=low"))
            .pressAndAnswer(value("{'readings':[{'at=low':1.2},{'at=low':1.4}]}"));

    assertThat(bench.cells()).containsExactly(List.of("1.2"), List.of("1.4"));
  }
}
