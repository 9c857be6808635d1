package org.mapsel.core.message.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Messages of an operation that only a sample tells of. */
class SampledMessagesTest {

  private static final Service VESSELS = Descriptions.service("/descriptions/vessels-sample.txt");
  private static final Operation VISITS = VESSELS.operations().get(0);

  private static String address(Map<String, Value> values) {
    return Caller.request(
            VESSELS,
            VISITS,
            VISITS.wires().get(0).endpoint(),
            RecordValue.of(values),
            Access.NONE,
            new Stamp(Instant.EPOCH, "1", new byte[] {1}))
        .get()
        .address();
  }

  private static Outcome<Answer> read(String body, String type, FieldPath... wanted) {
    return Caller.answer(
        VESSELS,
        VISITS,
        VISITS.wires().get(0),
        new Response(
            200, Map.of("Content-Type", List.of(type)), body.getBytes(StandardCharsets.UTF_8)),
        Set.of(wanted));
  }

  private static String json(Outcome<Answer> read) {
    return ValueJson.write(((Answer.Returned) read.get()).value()).toString();
  }

  @Test
  void valuesInThePathAreParametersWithTheSampleAsTheirDefault() {
    assertThat(address(Map.of()))
        .isEqualTo("http://quay.example/v2/vessels/S-20417/visits/2031-05-14?order=eta");
    assertThat(address(Map.of("vessel", Value.text("S/1"))))
        .startsWith("http://quay.example/v2/vessels/S%2F1/visits/");
  }

  @Test
  void rowsAreReadByTheirColumnsWhateverTheirOrder() {
    Outcome<Answer> read =
        read(
            "agent,berth,eta,pilot\r\n\"Spar, \"\"old\"\"\",7,2031-05-15T01:00:00Z,x\r\n,twelve\r\n",
            "text/csv; charset=utf-8");

    assertThat(json(read))
        .isEqualTo(
            "{\"items\":[{\"agent\":\"Spar, \\\"old\\\"\",\"berth\":7,\"eta\":\"2031-05-15T01:00:00Z\"},"
                + "{\"berth\":\"twelve\"}]}");
    assertThat(read.findings())
        .extracting(Finding::code)
        .containsExactly("MESSAGE_COLUMNS_UNKNOWN");
  }

  @Test
  void onlyWantedColumnsAreKept() {
    assertThat(
            json(
                read(
                    "eta;berth\n2031-05-15T01:00:00Z;7\n",
                    "text/plain",
                    FieldPath.of("items", "berth"))))
        .isEqualTo("{\"items\":[{\"berth\":7}]}");
  }

  @Test
  void quotesThatDoNotCloseAreTold() {
    assertThat(FindingText.lines(read("eta;berth\n\"2031;7\n", "text/csv").findings()))
        .contains("MESSAGE_ANSWER_BROKEN", "quotes around a value do not close");
  }

  @Test
  void whereNoAnswerWasEverSeenWhateverComesIsTaken() {
    Service unseen =
        Intake.read(
                new SourceText(
                    "pasted", "curl http://quay.example/note".getBytes(StandardCharsets.UTF_8)),
                Descriptions.RESOLVER)
            .get()
            .service();
    for (String type : List.of("text/plain", "application/xml", "application/json")) {
      String body = type.endsWith("json") ? "{\"a\":[1]}" : "<a>1</a>";
      Outcome<Answer> read =
          Caller.answer(
              unseen,
              unseen.operations().get(0),
              unseen.operations().get(0).wires().get(0),
              new Response(
                  200,
                  Map.of("Content-Type", List.of(type)),
                  body.getBytes(StandardCharsets.UTF_8)),
              Set.of());
      assertThat(json(read))
          .isEqualTo(
              type.endsWith("json") ? "{\"value\":{\"a\":[1]}}" : "{\"value\":\"<a>1</a>\"}");
    }
  }
}
