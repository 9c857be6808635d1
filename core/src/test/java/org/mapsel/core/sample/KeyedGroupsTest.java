package org.mapsel.core.sample;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.mapping.MappingOut;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.PageStarter;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.testing.Descriptions;
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
        .filter(row -> row.path().selected().isPresent())
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
            "LOA at entry › key=LOA › value = 129.7",
            "MOOR at entry › key=MOOR › value = 6 lines",
            "FLAG at entry › key=FLAG › value = 6 lines");
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
    FieldPath moor = FieldPath.of("entry", "key=MOOR", "value");
    Page page =
        PageStarter.extend(
            PageStarter.empty(new PageId("p"), PARTICULARS),
            "berthing",
            BERTHING,
            PARTICULARS,
            PARTICULARS.wires().get(0).endpoint(),
            List.of(FieldPath.of("hullNumber"), moor));
    Part.Record record =
        page.parts().stream()
            .filter(Part.Record.class::isInstance)
            .map(Part.Record.class::cast)
            .findFirst()
            .orElseThrow();

    assertThat(record.items())
        .extracting(item -> item.label())
        .containsExactly("Hull number", "MOOR");
    assertThat(MappingOut.wanted(page.calls().get(0).comesBack()))
        .as("what must be read of an answer")
        .containsExactlyInAnyOrder(
            FieldPath.of("hullNumber"),
            FieldPath.of("entry", "key"),
            FieldPath.of("entry", "value"));
    RecordValue shown =
        (RecordValue) MappingOut.apply(page.calls().get(0).comesBack(), SAMPLE).get(record.id());
    assertThat(plain(shown.get(record.items().get(1).id().text()))).isEqualTo("6 lines");
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
        .extracting(line -> line.replaceFirst(" = .*", ""))
        .containsExactly(
            "LOA at vessels › particulars › item=LOA › said",
            "FLAG at vessels › particulars › item=FLAG › said");

    FieldPath name = FieldPath.of("vessels", "name");
    FieldPath loa = FieldPath.of("vessels", "particulars", "item=LOA", "said");
    Page page =
        PageStarter.extend(
            PageStarter.empty(new PageId("p"), vessels),
            "berthing",
            BERTHING,
            vessels,
            vessels.wires().get(0).endpoint(),
            List.of(name, loa));
    Part.Table table =
        page.parts().stream()
            .filter(Part.Table.class::isInstance)
            .map(Part.Table.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(table.items()).extracting(item -> item.label()).containsExactly("Name", "LOA");
    assertThat(
            ValueJson.write(
                    MappingOut.apply(page.calls().get(0).comesBack(), sample).get(table.id()))
                .toString())
        .isEqualTo(
            "[{\"name\":\"Sable\",\"said\":\"129.7\"},{\"name\":\"Skua\"},{\"name\":\"Shag\",\"said\":\"88\"}]");
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
  void aNameThatLooksLikeASelectorIsAName() {
    Operation readings = Descriptions.operation(BERTHING, "ListReadings");
    Page page =
        PageStarter.extend(
            PageStarter.empty(new PageId("p"), readings),
            "berthing",
            BERTHING,
            readings,
            readings.wires().get(0).endpoint(),
            List.of(FieldPath.of("readings", "at=low")));

    assertThat(
            MappingOut.apply(
                    page.calls().get(0).comesBack(),
                    value("{'readings':[{'at=low':1.2},{'at=low':1.4}]}"))
                .values())
        .singleElement()
        .extracting(rows -> ValueJson.write(rows).toString())
        .isEqualTo("[{\"at=low\":1.2},{\"at=low\":1.4}]");
  }
}
