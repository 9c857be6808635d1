package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.page.edit.AddPages;
import org.mapsel.core.page.edit.FillFromInput;
import org.mapsel.core.page.plan.SourceWords;
import org.mapsel.core.page.run.PageEffect;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What starters make of operations that are not as simple as the demo's. */
class StartedPagesTest {

  private static final String BERTHS = "/descriptions/started-parts.yaml";

  private static PageBench page(String operation) {
    return new PageBench().with("berths", BERTHS).start("berths", operation);
  }

  private static PageBench list(String resource, String operation, FieldPath... fields) {
    PageBench bench = new PageBench().with("service", resource);
    Operation list = Descriptions.operation(bench.service("service"), operation);
    return bench.edit(
        new AddPages(
            "service",
            "service",
            list.id(),
            list.wires().get(0).endpoint(),
            List.of(fields),
            true));
  }

  private static RecordValue berth() {
    return RecordValue.of(
        Map.of(
            "id",
            NumberValue.of(7),
            "name",
            Value.text("North quay"),
            "owner",
            RecordValue.of(Map.of("name", Value.text("Heron Lines"))),
            "buoys",
            ListValue.of(buoy("red"), buoy("green"))));
  }

  private static RecordValue buoy(String colour) {
    return RecordValue.of(Map.of("colour", Value.text(colour)));
  }

  /** From the list of the port Tern to the page of its first berth. */
  private static PageEffect.GoTo chosen(PageBench bench) {
    bench.on("List berths").type("Port", "tern");
    PageEffect.RunCall list = press(bench, "List berths");
    bench.step(
        new PageEvent.Answered(list, RecordValue.of(Map.of("berths", ListValue.of(berth()))), "x"));
    return (PageEffect.GoTo)
        bench.step(new PageEvent.RowChosen(bench.part(Part.Table.class).id(), 0)).getFirst();
  }

  private static PageEffect.RunCall press(PageBench bench, String words) {
    return (PageEffect.RunCall)
        bench
            .step(
                new PageEvent.Pressed(
                    bench.view().parts().stream()
                        .filter(part -> part.heading().equals(words))
                        .findFirst()
                        .orElseThrow()
                        .id()))
            .getFirst();
  }

  private static String sent(PageBench bench, PageEffect.RunCall run) {
    Service service = bench.service("berths");
    Operation operation = Descriptions.operation(service, "addNote");
    Request request =
        Caller.request(
                service,
                operation,
                operation.wires().getFirst().endpoint(),
                run.parameters(),
                Access.NONE,
                new Stamp(Instant.EPOCH, "test", new byte[0]))
            .get();
    return new String(request.body(), StandardCharsets.UTF_8);
  }

  @Test
  void oneThingIsShownWithItsOwnFieldsBeforeItsLists() {
    assertThat(page("readBerth").parts())
        .containsExactly(
            "form [Port, Berth ID]",
            "button Read berth",
            "record [ID, Name, Length, Keeper › Name, Keeper › Phone, Owner › Name, Owner › Phone]",
            "table Buoys [Colour, Chain]");
  }

  @Test
  void aListIsTheOutermostOneHoweverManyFieldsListsInItHave() {
    assertThat(page("listBerths").parts())
        .anyMatch(part -> part.startsWith("table Berths [ID, Name, Length, "));
  }

  @Test
  void whatTheListWasAskedForIsHandedOnToWhatItLeadsTo() {
    PageBench bench = list(BERTHS, "listBerths");
    assertThat(bench.findings()).isEmpty();
    PageEffect.GoTo going = chosen(bench);

    bench.on("Berth");
    PageEffect.RunCall read =
        (PageEffect.RunCall)
            bench.step(new PageEvent.Opened(going.arguments(), List.of())).getFirst();
    assertThat(read.parameters())
        .isEqualTo(
            RecordValue.of(Map.of("port", Value.text("tern"), "berth_id", NumberValue.of(7))));
    bench.step(new PageEvent.Answered(read, berth(), "y"));
    assertThat(press(bench, "Delete").parameters()).isEqualTo(read.parameters());
    assertThat(bench.parts()).noneMatch(part -> part.startsWith("table Seal"));
  }

  @Test
  void whatIsPutInThePlaceOfAThingKeepsWhatTheFormDoesNotAskFor() {
    PageBench bench = list(BERTHS, "listBerths");
    PageEffect.GoTo going = chosen(bench);
    bench.on("Change berth");
    PageEffect.RunCall read =
        (PageEffect.RunCall)
            bench.step(new PageEvent.Opened(going.arguments(), List.of())).getFirst();
    bench.step(new PageEvent.Answered(read, berth(), "y"));
    Source owner =
        bench.call().mapping(FieldPath.of("body", "owner", "name")).orElseThrow().source();
    assertThat(SourceWords.of(bench.plan(), owner)).isEqualTo("Owner › Name");
    bench.type("Owner › Name", "Egret Lines");

    RecordValue body = (RecordValue) press(bench, "Save").parameters().get("body");
    assertThat(body.at(FieldPath.of("name"))).isEqualTo(Value.text("North quay"));
    assertThat(body.at(FieldPath.of("owner", "name"))).isEqualTo(Value.text("Egret Lines"));
    assertThat(body.get("buoys")).isEqualTo(berth().get("buoys"));
    assertThat(body.get("id").isAbsent()).isTrue();
  }

  @Test
  void entriesThatMayBeAnythingShowWhatTheyAre() {
    assertThat(page("listRemarks").parts()).contains("table Entries [Name, Value]");
  }

  @Test
  void thePairsOfAMapAreCalledWhatItIs() {
    assertThat(page("setBeacon").parts())
        .contains("lines Rhythms [Name, Value]", "table Rhythms [Name, Value]");
  }

  @Test
  void whatMayBeAnythingIsTypedAsATextOrAsJson() {
    PageBench bench = page("addNote");
    assertThat(bench.parts())
        .startsWith(
            "form [About, By, Depth, Latitude, Longitude, Bearing]", "lines Marks [Name, Value]");
    bench.edit(
        new FillFromInput(bench.page().id(), bench.call().id(), FieldPath.of("body", "extra")));
    assertThat(bench.parts())
        .contains("form [About, By, Depth, Latitude, Longitude, Bearing, Extra]");

    bench.type("About", "{\"berth\": 7}").type("Extra", "high water");
    assertThat(sent(bench, press(bench, "Add note")))
        .isEqualTo("{\"about\":{\"berth\":7},\"extra\":\"high water\"}");
  }

  @Test
  void whatARecordNeedsIsAskedForOnceAnythingElseInItIsFilled() {
    PageBench bench = page("addNote");
    bench.type("About", "the north basin").type("Depth", "7");
    assertThat(sent(bench, press(bench, "Add note"))).contains("\"seen\":{\"depth\":7}");

    bench.type("Bearing", "90").type("Longitude", "10.5");
    assertThat(bench.press()).isEmpty();
    assertThat(bench.view().messages().getFirst().text()).isEqualTo("Please fill in: Latitude.");
    bench.type("Latitude", "54");
    assertThat(sent(bench, press(bench, "Add note"))).contains("\"latitude\":54");
  }

  @Test
  void aListIsMadeWhateverFieldsAreTicked() {
    PageBench bench = list(BERTHS, "listBerths", FieldPath.of("total"));

    assertThat(bench.on("List berths").parts())
        .contains("record [Total]")
        .anyMatch(part -> part.startsWith("table Berths ["));
  }

  @Test
  void ofManyInputsThoseThatSomeAlternativeNeedsAreAskedFor() {
    PageBench bench = page("payDues");

    assertThat(bench.parts().getFirst()).isEqualTo("form [Body, Card, Account, Remark]");
    assertThat(bench.findings()).isEmpty();
  }

  @Test
  void oneEntityIsNeverTakenForTheListsThatItLeadsTo() {
    PageBench bench =
        new PageBench().with("yard", "/descriptions/yard.xml").start("yard", "Cranes.read");

    assertThat(bench.parts()).anyMatch(part -> part.startsWith("record [ID, "));
    assertThat(
            bench.refused(
                new AddPages(
                    "yard",
                    "yard",
                    bench.call().operation(),
                    bench.call().endpoint(),
                    List.of(),
                    true)))
        .containsExactly("APP_NO_LIST");
  }
}
