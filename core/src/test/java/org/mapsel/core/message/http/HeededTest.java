package org.mapsel.core.message.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What a description says of its values in passing, which made values keep to. */
class HeededTest {

  private final Service service = Descriptions.service("/descriptions/heeded-parts.yaml");
  private final Operation store = Descriptions.operation(service, "store");

  private Request made(SampleMaker.Extent extent) {
    return made(store, extent);
  }

  private Request made(Operation operation, SampleMaker.Extent extent) {
    return Caller.request(
            service,
            operation,
            operation.wires().getFirst().endpoint(),
            FirstValues.of(service, operation, extent),
            Access.NONE,
            new Stamp(Instant.EPOCH, "test", new byte[0]))
        .get();
  }

  private static String body(Request request) {
    return new String(request.body(), StandardCharsets.UTF_8);
  }

  @Test
  void whatTheMessageItselfSaysIsNoParameter() {
    assertThat(made(SampleMaker.Extent.EVERYTHING).headers())
        .extracting(Header::name)
        .contains("X-Desk", "Content-Type")
        .doesNotContain("content-type", "Authorization", "Accept");
  }

  @Test
  void requiredBesideAReferenceAnyObjectAndNothingAreMadeAsTheyMustBe() {
    assertThat(body(made(SampleMaker.Extent.REQUIRED)))
        .isEqualTo("{\"free\":{},\"nothing\":null,\"owner\":{\"office\":\"office 1\"}}");
  }

  @Test
  void aListOfOneAtMostIsAListWithOne() {
    assertThat(body(made(SampleMaker.Extent.EVERYTHING))).contains("\"single\":[\"single 1\"]");
  }

  @Test
  void aRecordInThePathIsNeverEmpty() {
    Operation find = Descriptions.operation(service, "find");
    assertThat(made(find, SampleMaker.Extent.REQUIRED).address())
        .endsWith("/lots/row,row%201,level,1");
  }

  @Test
  void dotsDoNotLeadToAnotherAddress() {
    Service tides = Descriptions.service("/descriptions/tides.yaml");
    Operation station = Descriptions.operation(tides, "getStation");
    for (String code : new String[] {".", ".."}) {
      assertThat(
              Caller.request(
                      tides,
                      station,
                      station.wires().getFirst().endpoint(),
                      RecordValue.of(Map.of("station", Value.text(code))),
                      Access.NONE,
                      new Stamp(Instant.EPOCH, "test", new byte[0]))
                  .findings())
          .extracting(Finding::code)
          .containsExactly("MESSAGE_PATH_PARAMETER_LEADS_AWAY");
    }
  }
}
