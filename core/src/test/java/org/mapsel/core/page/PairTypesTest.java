package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.appfile.AppFile;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.page.edit.PairFields;
import org.mapsel.core.page.edit.PairTypes;
import org.mapsel.core.page.edit.SetModelField;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.PageBench;

/** Two record types that are taken for one. */
class PairTypesTest {

  private static final String BOOKINGS = "/descriptions/lines-parts.yaml";

  private PageBench bench = bench(Descriptions.service(BOOKINGS));

  private static PageBench bench(Service bookings) {
    return new PageBench()
        .with("bookings", bookings)
        .start("bookings", "listArrivals")
        .add("bookings", "bookAll");
  }

  private RecordType having(String field) {
    return bench.app().model().types().stream()
        .filter(
            type ->
                type.shapes().stream()
                    .anyMatch(
                        shape ->
                            bench.service("bookings").shapes().fieldsOf(shape.shape()).stream()
                                .anyMatch(known -> known.name().equals(field))))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void fieldsThatAreLikelyTheSameAreOneFromThenOnAndOthersStayApart() {
    RecordType arrival = having("dueAt");
    RecordType vessel = having("remark");
    FieldRef hullOfArrival = new FieldRef(arrival.shapes().getFirst(), "hullNumber");
    FieldRef hullOfVessel = new FieldRef(vessel.shapes().getFirst(), "hullNumber");
    bench.edit(
        new SetModelField(
            hullOfArrival, Optional.empty(), Optional.empty(), Overrides.labelled("Hull")));

    bench.edit(new PairTypes(arrival.id(), vessel.id()));

    RecordType both = having("dueAt");
    assertThat(having("remark")).isEqualTo(both);
    assertThat(both.field(hullOfVessel).map(ModelField::set)).contains(Overrides.labelled("Hull"));
    assertThat(both.fields())
        .extracting(field -> field.at().stream().map(FieldRef::name).toList())
        .containsExactlyInAnyOrder(
            List.of("hullNumber", "hullNumber"), List.of("vesselName", "vesselName"));
    assertThat(bench.parts())
        .as("what was decided of one is decided of the other")
        .contains("lines Vessels [Hull, Vessel name, Remark]");
    assertThat(AppFile.read(AppFile.write(bench.app())).get()).isEqualTo(bench.app());

    bench.edit(
        new PairFields(
            both.id(),
            new FieldRef(arrival.shapes().getFirst(), "dueAt"),
            new FieldRef(vessel.shapes().getFirst(), "remark")));
    assertThat(having("dueAt").fields()).hasSize(3);
  }

  @Test
  void wordsThatTheWorkspaceLearntPairFieldsOfTypesToo() {
    Service bookings =
        Descriptions.service(
            BOOKINGS,
            text ->
                text.replace("dueAt: {type: string, format: date-time}", "bollard: {type: string}")
                    .replace("remark: {type: string}", "dolphin: {type: string}"));

    bench = bench(bookings);
    bench.edit(new PairTypes(having("bollard").id(), having("dolphin").id()));
    assertThat(having("bollard").fields()).hasSize(2);

    bench = bench(bookings).knowing("bollard", "dolphin");
    bench.edit(new PairTypes(having("bollard").id(), having("dolphin").id()));
    assertThat(having("bollard").fields())
        .extracting(field -> field.at().stream().map(FieldRef::name).toList())
        .contains(List.of("bollard", "dolphin"));
  }
}
