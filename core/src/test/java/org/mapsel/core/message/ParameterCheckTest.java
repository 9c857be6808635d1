package org.mapsel.core.message;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** What may be sent as a value of a type, and how it is written. */
class ParameterCheckTest {

  private static final ShapeId ID = new ShapeId("", "value");

  private static Shape.Scalar scalar(ScalarType type, Facets facets) {
    return new Shape.Scalar(ID, type, type.name(), facets);
  }

  /** The text that is sent, or what is said instead. */
  private static String sent(Shape.Scalar scalar, Value value) {
    Findings findings = new Findings();
    String text = ParameterCheck.of(scalar).text(value, Trail.ROOT.then("depth"), findings);
    assertThat(text == null).isEqualTo(findings.hasErrors());
    if (text != null) {
      return text;
    }
    Finding finding = findings.toList().get(0);
    return "! " + FindingText.message(finding) + " " + FindingText.advice(finding);
  }

  private static Facets between(String least, String most, boolean open) {
    Optional<String> none = Optional.empty();
    return new Facets(
        List.of(),
        open ? none : Optional.of(least),
        open ? none : Optional.of(most),
        open ? Optional.of(least) : none,
        open ? Optional.of(most) : none,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        List.of());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "TEXT      | 0012          | 0012",
        "INTEGER   | 0012          | 12",
        "INTEGER   | -7            | -7",
        "INTEGER   | 123456789012345678901234567890 | 123456789012345678901234567890",
        "INTEGER   | 1.0           | !",
        "INTEGER   | ' '           | !",
        "DECIMAL   | 1.50          | 1.50",
        "DECIMAL   | 0.0000001     | 0.0000001",
        "DECIMAL   | 1e3           | !",
        "FLOAT     | 1e3           | 1000",
        "FLOAT     | INF           | INF",
        "FLOAT     | 1e999999999   | !",
        "BOOLEAN   | 1             | true",
        "BOOLEAN   | yes           | !",
        "DATE      | 2031-05-14    | 2031-05-14",
        "DATE      | 14.5.2031     | !",
        "TIME      | 06:40         | 06:40:00",
        "DATE_TIME | 2031-05-14T06:40     | 2031-05-14T06:40:00",
        "DATE_TIME | 2031-05-14T06:40:00Z | 2031-05-14T06:40:00Z",
        "DATE_TIME | 2031-05-14           | !",
        "DURATION  | P1DT2H        | P1DT2H",
        "DURATION  | 2 hours       | !",
        "BASE64    | AQID          | AQID",
        "BASE64    | no base64 at all! | !",
        "HEX       | 0aff          | 0AFF",
        "HEX       | 0af           | !",
        "LIST      | a  b          | a  b",
      })
  void whatIsTypedIsSentAsTheTypeWritesItOrRefused(ScalarType type, String typed, String expected) {
    String sent = sent(scalar(type, Facets.NONE), new TextValue(typed));
    if (expected.equals("!")) {
      assertThat(sent).startsWith("! ").contains("depth").contains(typed.strip());
    } else {
      assertThat(sent).isEqualTo(expected);
    }
  }

  @Test
  void valuesThatAreOfTheTypeAlreadyAreSentWithoutDoubt() {
    assertThat(sent(scalar(ScalarType.INTEGER, Facets.NONE), NumberValue.of(12))).isEqualTo("12");
    assertThat(sent(scalar(ScalarType.DECIMAL, Facets.NONE), number("0.00000001")))
        .isEqualTo("0.00000001");
    assertThat(sent(scalar(ScalarType.DECIMAL, Facets.NONE), number("1E+3"))).isEqualTo("1000");
    assertThat(sent(scalar(ScalarType.BOOLEAN, Facets.NONE), BooleanValue.FALSE))
        .isEqualTo("false");
    assertThat(sent(scalar(ScalarType.HEX, Facets.NONE), new BinaryValue(new byte[] {10, -1})))
        .isEqualTo("0AFF");
  }

  @Test
  void valuesOfAnotherTypeAreReadAsTheOneThatIsWanted() {
    assertThat(sent(scalar(ScalarType.TEXT, Facets.NONE), NumberValue.of(12))).isEqualTo("12");
    assertThat(sent(scalar(ScalarType.BOOLEAN, Facets.NONE), NumberValue.of(1))).isEqualTo("1");
    assertThat(sent(scalar(ScalarType.INTEGER, Facets.NONE), number("12.5"))).startsWith("! ");
    assertThat(sent(scalar(ScalarType.DATE, Facets.NONE), BooleanValue.TRUE)).startsWith("! ");
  }

  @ParameterizedTest
  @CsvSource({
    "1, 9, false, 1, true",
    "1, 9, false, 9, true",
    "1, 9, false, 10, false",
    "1, 9, true, 1, false",
    "1, 9, true, 8.999, true",
    "-128, 127, false, -129, false",
    "0, 1E+3, false, 1000, true",
    "0, 1E+3, false, 1001, false",
    "-INF, INF, false, 99999999999999999999, true",
  })
  void boundsHold(String least, String most, boolean open, String value, boolean within) {
    Shape.Scalar bounded = scalar(ScalarType.DECIMAL, between(least, most, open));
    for (Value given : List.of(number(value), new TextValue(value))) {
      String sent = sent(bounded, given);
      assertThat(sent).isEqualTo(within ? value : sent).matches(within ? "[^!]*" : "(?s)! .*");
    }
  }

  @Test
  void onlyAllowedTextsAreSentAndTheOthersAreTold() {
    Shape.Scalar states = scalar(ScalarType.TEXT, Facets.oneOf(List.of("Idle", "Working")));
    assertThat(sent(states, new TextValue("Idle"))).isEqualTo("Idle");
    assertThat(sent(states, new TextValue("idle"))).startsWith("! ").contains("Idle, Working");
  }

  @Test
  void everyWordOfAListMustBeOfItsType() {
    Shape.Scalar numbers =
        new Shape.Scalar(
            ID,
            ScalarType.LIST,
            "xs:list",
            Facets.NONE,
            Optional.of(scalar(ScalarType.INTEGER, between("0", "9", false))));
    assertThat(sent(numbers, new TextValue("1 2 3"))).isEqualTo("1 2 3");
    assertThat(sent(numbers, new TextValue("1 two 3"))).startsWith("! ").contains("two");
    assertThat(sent(numbers, new TextValue("1 12"))).startsWith("! ").contains("12");
  }

  private static NumberValue number(String digits) {
    return new NumberValue(new BigDecimal(digits));
  }
}
