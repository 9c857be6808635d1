package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.mapsel.core.page.kind.InputLook;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.testing.PageBench;

/** Pages that start from what is done with entities. */
class EntityPagesTest {

  private static PageBench page(String operation, FieldPath... wanted) {
    return new PageBench().with("yard", "/descriptions/yard.xml").start("yard", operation, wanted);
  }

  @Test
  void aListShowsItsOwnFieldsAndIsCalledLikeItsSet() {
    PageBench bench = page("Jobs.list");

    assertThat(bench.parts()).contains("table Jobs [Day, Code]");
    assertThat(bench.plan().wanted().get(bench.call().id()))
        .as("what is asked for by $select and $expand")
        .containsExactlyInAnyOrder(FieldPath.of("rows", "Day"), FieldPath.of("rows", "Code"));
  }

  @Test
  void aListIsCalledLikeTheWayThatLeadsToIt() {
    assertThat(page("Cranes.Jobs").parts()).anyMatch(part -> part.startsWith("table Jobs ["));
  }

  @Test
  void whatAWayLeadsToIsShownWhereItIsWanted() {
    assertThat(
            page("Jobs.list", FieldPath.of("rows", "Code"), FieldPath.of("rows", "Crane", "Name"))
                .parts())
        .contains("table Jobs [Code, Called]");
  }

  @Test
  void aFormAsksForKeysAndValuesButNotForWhatTheServiceMakesItselfOrTheProtocolNeeds() {
    assertThat(page("Cranes.list").parts())
        .as("questions are set on the bench")
        .contains("form [Search]");
    assertThat(page("Cranes.change").parts().get(0))
        .startsWith("form [ID")
        .contains("Called", "State")
        .doesNotContain("match");
    PageBench photos = page("Photos.create");
    assertThat(photos.plan().inputs().values())
        .extracting(InputLook::kind)
        .containsExactly(Input.Kind.FILE);
  }
}
