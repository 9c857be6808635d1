package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.check.Checker;
import org.mapsel.core.page.edit.FillSlot;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.testing.PageBench;

/** A table that is given the rows of another call. */
class PairedRowsTest {

  private final PageBench bench =
      new PageBench()
          .with("berths", "/descriptions/pairs-parts.yaml")
          .start("berths", "listBerths")
          .add("berths", "listPlaces");

  private Part.Table table() {
    return (Part.Table)
        bench.page().parts().stream()
            .filter(Part.Table.class::isInstance)
            .findFirst()
            .orElseThrow();
  }

  private List<String> columns() {
    return table().items().stream()
        .map(item -> ((Source.Row) item.mapping().orElseThrow().source()).path().toString())
        .toList();
  }

  @Test
  void rowsThatComeOfThemselvesAreRefusedAndFoundWhereAFileHasThem() {
    PartId table = table().id();
    SlotId rows = new SlotId.OfPart(bench.page().id(), table, Part.OverRows.ROWS);
    Source itself = new Source.Chosen(table, FieldPath.ROOT);
    assertThat(bench.refused(new FillSlot(rows, Optional.of(itself))))
        .containsExactly("MAPPING_SOURCE_GONE");

    Page looped = bench.page().with(rows, Optional.of(new Mapping(itself)));
    assertThat(
            new Checker(bench.lookup())
                .check(bench.app().with(looped), Optional.empty())
                .findings())
        .extracting(found -> found.finding().code())
        .contains("MAPPING_SOURCE_GONE");
  }

  @Test
  void columnsTakeTheFieldsThatBelongToThemAndWhatHasNoneIsFoundMissing() {
    assertThat(columns()).containsExactly("berthCode", "maxDepth", "basinName", "lastSwept");
    CallId places = bench.page().calls().getLast().id();
    SlotId rows = new SlotId.OfPart(bench.page().id(), table().id(), Part.OverRows.ROWS);

    bench.edit(new FillSlot(rows, Optional.of(new Source.Returned(places, FieldPath.of("rows")))));

    assertThat(columns()).containsExactly("berth_code", "depth_max", "basin_name", "lastSwept");
    assertThat(bench.page().mapping(rows))
        .contains(new Mapping(new Source.Returned(places, FieldPath.of("rows"))));
    assertThat(bench.check().findings())
        .extracting(found -> found.finding().code())
        .contains("MAPPING_FIELD_GONE");
  }
}
