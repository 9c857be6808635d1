package org.mapsel.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.testing.Descriptions;

/** Fields find each other by what they have in common. */
class PairerTest {

  private static PairingField field(String path, ScalarType type, String... values) {
    String[] names = path.split("/");
    return new PairingField(
        FieldPath.of(names),
        List.of(names),
        "",
        "",
        type,
        Facets.NONE,
        "",
        false,
        false,
        false,
        List.of(values));
  }

  private static PairingField text(String path, String... values) {
    return field(path, ScalarType.TEXT, values);
  }

  private static List<PairingField> texts(String... paths) {
    return Arrays.stream(paths).map(path -> text(path)).toList();
  }

  private static Pairing pair(List<PairingField> left, List<PairingField> right) {
    return new Pairer(Lexicon.shipped()).pair(left, right);
  }

  private static List<String> told(Pairing pairing) {
    return pairing.pairs().stream()
        .map(
            pair ->
                String.join("/", pair.left().names())
                    + " = "
                    + String.join("/", pair.right().names()))
        .toList();
  }

  @Test
  void namesFindEachOtherInOtherStylesShortenedAndWithOtherWords() {
    Pairing pairing =
        pair(
            texts("vessel/hullNumber", "vessel/name", "arrivalDate", "cargo/quantity", "homePort"),
            texts("ship_hull_no", "ship_nm", "eta_dt", "cargo_qty", "home_harbour", "crane_id"));

    assertThat(told(pairing))
        .containsExactly(
            "vessel/hullNumber = ship_hull_no",
            "vessel/name = ship_nm",
            "arrivalDate = eta_dt",
            "cargo/quantity = cargo_qty",
            "homePort = home_harbour");
    assertThat(pairing.rightOnly())
        .extracting(PairingField::names)
        .containsExactly(List.of("crane_id"));
    assertThat(pairing.pairs()).allMatch(pair -> !pair.reasons().isEmpty());
  }

  @Test
  void theSameNameInSeveralGroupsGoesToTheGroupThatBelongsToIt() {
    Pairing pairing =
        pair(
            texts("owner/name", "owner/city", "agent/name", "agent/city"),
            texts("agent/town", "agent/name", "holder/town", "holder/name"));

    assertThat(told(pairing))
        .containsExactly(
            "owner/name = holder/name",
            "owner/city = holder/town",
            "agent/name = agent/name",
            "agent/city = agent/town");
  }

  @Test
  void equalValuesOfSamplesSpeakForFieldsThatAreCalledOtherwise() {
    Pairing pairing =
        pair(
            List.of(
                text("a1", "S-20417", "S-30021", "S-11873"), text("a2", "north", "inner", "south")),
            List.of(
                text("q7", "inner", "north", "south"),
                text("q8", "S-30021", "S-20417", "S-11873")));

    assertThat(told(pairing)).containsExactly("a1 = q8", "a2 = q7");
    assertThat(pairing.pairs().getFirst().reasons()).contains("3 of 3 sample values equal");
  }

  @Test
  void typesThatCannotBeTheSameSpeakAgainstAPair() {
    Pairing pairing =
        pair(
            List.of(field("due", ScalarType.DATE), field("weight", ScalarType.DECIMAL)),
            List.of(field("due", ScalarType.BOOLEAN), field("wgt", ScalarType.DECIMAL)));

    assertThat(pairing.pairs())
        .filteredOn(pair -> pair.grade() != Grade.GUESS)
        .singleElement()
        .satisfies(pair -> assertThat(pair.right().names()).containsExactly("wgt"));
  }

  @Test
  void whatCouldAsWellBeAnotherIsNotSure() {
    Pairing pairing = pair(texts("remark"), texts("comment", "note"));

    assertThat(pairing.pairs()).allMatch(pair -> pair.grade() != Grade.SURE);
    assertThat(pair(texts("hullNumber"), texts("hullNumber", "flag")).pairs().getFirst().grade())
        .isEqualTo(Grade.SURE);
  }

  @Test
  void whatSomebodyTookOutIsNotOfferedAgainAndWhatTheyAcceptedIsLearnt() {
    List<PairingField> left = texts("berth");
    List<PairingField> right = texts("stand");

    assertThat(pair(left, right).pairs()).isEmpty();
    assertThat(
            new Pairer(Lexicon.with(List.of(Set.of("berth", "stand")))).pair(left, right).pairs())
        .hasSize(1);
    assertThat(
            new Pairer(
                    Lexicon.shipped(),
                    Set.of(Map.entry(FieldPath.of("berth"), FieldPath.of("berth"))))
                .pair(left, texts("berth"))
                .pairs())
        .isEmpty();
  }

  @Test
  void describedTypesOfTwoServicesArePairedFieldByField() {
    Service yard = Descriptions.service("/descriptions/yard.xml");
    Operation read = Descriptions.operation(yard, "Cranes.read");
    Operation change = Descriptions.operation(yard, "Cranes.change");
    Pairing pairing =
        pair(
            PairingFields.of(
                yard.shapes(),
                read.output(),
                FieldPath.ROOT,
                Hints.Direction.RETURNED_ONLY,
                List.of()),
            PairingFields.of(
                yard.shapes(),
                change.input(),
                FieldPath.of("Crane"),
                Hints.Direction.SENT_ONLY,
                List.of()));

    assertThat(told(pairing)).contains("Name = Name", "State = State", "Built = Built");
  }

  @Test
  void manyFieldsAreNotComparedEachWithEach() {
    List<PairingField> left = new ArrayList<>();
    List<PairingField> right = new ArrayList<>();
    for (int i = 0; i < 600; i++) {
      left.add(text("group" + i % 20 + "/fieldNumber" + i));
      right.add(text("group_" + i % 20 + "/field_no_" + i));
    }

    Pairing pairing = pair(left, right);
    assertThat(pairing.pairs())
        .hasSizeGreaterThan(590)
        .allMatch(
            pair ->
                pair.left()
                    .path()
                    .last()
                    .replaceAll("\\D", "")
                    .equals(pair.right().path().last().replaceAll("\\D", "")));
  }
}
