package org.mapsel.core.verify;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.assertj.core.api.ListAssert;
import org.junit.jupiter.api.Test;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.value.RecordValue;
import tools.jackson.databind.json.JsonMapper;

/** What is told when an answer is not as it was, and when it is not told. */
class ComparisonTest {

  private static RecordValue value(String json) {
    return ValueJson.readRecord(new JsonMapper().readTree(json.replace('\'', '"')));
  }

  private static final RecordValue KNOWN =
      value(
          "{'berths':[{'code':'N1','depth':7.5,'crane':true},{'code':'N2','depth':8,'note':'rail'}],"
              + "'day':'2031-05-14'}");

  private static ListAssert<String> told(RecordValue actual, Check check) {
    return assertThat(
        Comparison.of(KNOWN, actual, check).stream()
            .map(
                one ->
                    one.kind() + " " + one.path() + " " + one.expected() + " > " + one.actual()));
  }

  private static Check values(FieldPath... ignored) {
    return new Check(
        Check.Holds.VALUES,
        List.of(),
        List.of(ignored),
        List.of(),
        BigDecimal.ZERO,
        Optional.empty());
  }

  private static final RecordValue OTHER_ROWS =
      value(
          "{'berths':[{'code':'S9','depth':3,'crane':false,'note':'x','extra':1}],'day':'2031-06-01'}");

  @Test
  void otherValuesHaveTheSameShape() {
    told(OTHER_ROWS, Check.SHAPE).isEmpty();
    told(KNOWN, values()).isEmpty();
  }

  @Test
  void aRenamedFieldAndAnotherTypeHaveNot() {
    told(
            value(
                "{'berths':[{'berth_code':'N1','depth':'deep','crane':true,'note':''}],'day':'x'}"),
            Check.SHAPE)
        .containsExactly(
            "MISSING berths › code text > nothing", "TYPE berths › depth number > text");
  }

  @Test
  void whatStandsInSomethingMissingIsToldOnce() {
    told(value("{'day':'x'}"), Check.SHAPE).containsExactly("MISSING berths group > nothing");
    told(value("{'berths':[],'day':'x'}"), Check.SHAPE).isEmpty();
  }

  @Test
  void whatWasNotKeptOfAPersonIsAsItWas() {
    RecordValue kept = value("{'pilot':'******','born':'******','bay':3}");
    RecordValue actual = value("{'pilot':'Ada','born':1987,'bay':3}");
    assertThat(Comparison.of(kept, actual, Check.SHAPE)).isEmpty();
    assertThat(Comparison.of(kept, actual, values())).isEmpty();
    assertThat(Comparison.of(kept, value("{'bay':4}"), values()))
        .extracting(one -> one.path().toString())
        .containsExactly("bay");
  }

  @Test
  void valuesAreComparedOneByOne() {
    told(OTHER_ROWS, values())
        .containsExactly("COUNT berths 2 > 1", "VALUE day 2031-05-14 > 2031-06-01");
    told(
            value(
                "{'berths':[{'code':'N1','depth':7.6,'crane':true},{'code':'N2','depth':8}],'day':'2031-05-14'}"),
            values())
        .containsExactly("VALUE berths › depth 7.5 > 7.6", "MISSING berths › note rail > nothing");
  }

  @Test
  void whatIsIgnoredOrNearEnoughOrOnlyInAnotherOrderHolds() {
    RecordValue other =
        value(
            "{'berths':[{'code':'N2','depth':8.04,'note':'rail'},{'code':'N1','depth':7.5,'crane':true}],'day':'now'}");
    Check lenient =
        new Check(
            Check.Holds.VALUES,
            List.of(),
            List.of(FieldPath.of("day")),
            List.of(FieldPath.of("berths")),
            new BigDecimal("0.05"),
            Optional.empty());
    told(other, lenient).isEmpty();
    Check onlyDay =
        new Check(
            Check.Holds.VALUES,
            List.of(FieldPath.of("day")),
            List.of(),
            List.of(),
            BigDecimal.ZERO,
            Optional.empty());
    told(other, onlyDay).containsExactly("VALUE day 2031-05-14 > now");
  }

  @Test
  void aSampleComesBackFromItsFile() {
    Sample sample =
        new Sample(
            "berthing",
            new OperationId("ListArrivals"),
            "Busy day",
            new JsonMapper().readTree("{\"day\":\"2031-05-14\"}"),
            Optional.of(ValueJson.write(KNOWN)),
            Optional.empty(),
            Optional.of(
                new Check(
                    Check.Holds.VALUES,
                    List.of(FieldPath.of("berths", "code")),
                    List.of(FieldPath.of("day")),
                    List.of(FieldPath.of("berths")),
                    new BigDecimal("0.5"),
                    Optional.of(2_000L))),
            OverTheWire.of(
                new Request(
                    "POST",
                    "http://localhost/berthing",
                    List.of(new Header("SOAPAction", "list", "")),
                    "<day>2031-05-14</day>".getBytes(StandardCharsets.UTF_8)),
                new Response(
                    200,
                    Map.of("Content-Type", List.of("text/xml;charset=iso-8859-1")),
                    "<name>M\u00f8we</name>".getBytes(StandardCharsets.ISO_8859_1))));

    String file = SampleFile.write(sample).toString();
    Sample read = SampleFile.read(new JsonMapper().readTree(file)).get();
    assertThat(read.check()).isEqualTo(sample.check());
    assertThat(SampleFile.write(read)).hasToString(file);
    assertThat(SampleFile.read(new JsonMapper().readTree("{\"format\":1}")).findings())
        .singleElement()
        .satisfies(finding -> assertThat(finding.code()).isEqualTo("VERIFY_SAMPLE_WRONG"));
  }
}
