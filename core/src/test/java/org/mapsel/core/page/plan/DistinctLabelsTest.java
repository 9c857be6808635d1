package org.mapsel.core.page.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import org.junit.jupiter.api.Test;
import org.mapsel.core.page.plan.DistinctLabels.Named;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;

/** What is called the same on one part is told apart by what is around it. */
class DistinctLabelsTest {

  /** What stands before the labels, for ways whose last step each is called by. */
  private static List<String> within(String... ways) {
    return within((one, other) -> false, ways);
  }

  private static List<String> within(BiPredicate<PartId, PartId> never, String... ways) {
    List<Named> fields = new ArrayList<>();
    for (String way : ways) {
      FieldPath path = FieldPath.of(way.split("/"));
      FieldPath told = path.name(0).equals("body") ? path.below(path.first(1)) : path;
      fields.add(new Named(new PartId("p" + fields.size()), path.last(), told, path));
    }
    Map<PartId, String> within = DistinctLabels.within(fields, never);
    return fields.stream().map(field -> within.getOrDefault(field.id(), "-")).toList();
  }

  @Test
  void whatIsCalledOtherwiseStaysAsItIs() {
    assertThat(within("sender/name", "sender/phone", "length")).containsExactly("-", "-", "-");
  }

  @Test
  void theNearestThatDiffersTellsThemApart() {
    assertThat(within("sender/name", "receiver/name", "length"))
        .containsExactly("Sender", "Receiver", "-");
    assertThat(within("sender/address/city", "receiver/address/city"))
        .containsExactly("Sender", "Receiver");
    assertThat(within("name", "keeper/name")).containsExactly("", "Keeper");
  }

  @Test
  void theBodyIsNamedOnlyWhereNothingElseTells() {
    assertThat(within("body/name", "body/keeper/name")).containsExactly("", "Keeper");
    assertThat(within("name", "body/name")).containsExactly("", "Body");
  }

  @Test
  void whereNoSingleStepDoesSeveralDo() {
    assertThat(within("in/crane/name", "in/berth/name", "out/berth/name"))
        .containsExactly("In › Crane", "In › Berth", "Out › Berth");
  }

  @Test
  void whatIsNeverSeenTogetherNeedsNotBeToldApart() {
    assertThat(within((one, other) -> true, "card/number", "account/number"))
        .containsExactly("-", "-");
  }

  @Test
  void whatIsTheSameFieldTwiceCannotBeToldApart() {
    assertThat(within("sender/name", "sender/name")).containsExactly("-", "-");
  }
}
