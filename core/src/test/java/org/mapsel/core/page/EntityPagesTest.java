package org.mapsel.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.mapping.MappingOut;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;

/** Pages that start from what is done with entities. */
class EntityPagesTest {

  private static final Service YARD = Descriptions.service("/descriptions/yard.xml");

  private static Page page(String operation, FieldPath... wanted) {
    Operation found = Descriptions.operation(YARD, operation);
    return PageStarter.extend(
        PageStarter.empty(new PageId("p"), found),
        "yard",
        YARD,
        found,
        found.wires().get(0).endpoint(),
        List.of(wanted));
  }

  private static <P extends Part> P part(Page page, Class<P> kind) {
    return page.parts().stream().filter(kind::isInstance).map(kind::cast).findFirst().orElseThrow();
  }

  @Test
  void aListShowsItsOwnFieldsAndIsCalledLikeItsSet() {
    Page page = page("Jobs.list");
    Part.Table table = part(page, Part.Table.class);

    assertThat(table.label()).isEqualTo("Jobs");
    assertThat(table.items()).extracting(Item::label).containsExactly("Day", "Code");
    assertThat(MappingOut.wanted(page.calls().get(0).comesBack()))
        .as("what is asked for by $select and $expand")
        .containsExactlyInAnyOrder(FieldPath.of("rows", "Day"), FieldPath.of("rows", "Code"));
  }

  @Test
  void aListIsCalledLikeTheWayThatLeadsToIt() {
    assertThat(part(page("Cranes.Jobs"), Part.Table.class).label()).isEqualTo("Jobs");
  }

  @Test
  void whatAWayLeadsToIsShownWhereItIsWanted() {
    Page page =
        page("Jobs.list", FieldPath.of("rows", "Code"), FieldPath.of("rows", "Crane", "Name"));

    assertThat(part(page, Part.Table.class).items())
        .extracting(Item::label)
        .containsExactly("Code", "Called");
  }

  @Test
  void aFormAsksForKeysAndValuesButNotForWhatTheServiceMakesItself() {
    assertThat(part(page("Cranes.list"), Part.Form.class).inputs())
        .as("questions are set on the bench")
        .extracting(Input::label)
        .containsExactly("Search");
    assertThat(part(page("Cranes.change"), Part.Form.class).inputs())
        .extracting(Input::label)
        .startsWith("Id")
        .contains("Called", "State");
    assertThat(part(page("Photos.create"), Part.Form.class).inputs())
        .extracting(Input::kind)
        .containsExactly(Input.Kind.FILE);
  }
}
