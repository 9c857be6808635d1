package org.mapsel.server.samples;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import tools.jackson.databind.JsonNode;

/** Exchanges are found again, and old ones go. */
class ExchangeLogTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private FakeBerthing berthing;
  private String service;

  @BeforeEach
  void send() {
    berthing = new FakeBerthing();
    service = SERVER.api().take(berthing.description());
    for (String hull : List.of("S-1", "Q-71", "100%_sure")) {
      ask(hull);
    }
  }

  private void ask(String hull) {
    SERVER
        .api()
        .post(
            "/api/services/" + service + "/operations/VesselParticulars/tries",
            "{'endpoint':'BerthingSoap11','parameters':{'hullNumber':'" + hull + "'}}");
  }

  @AfterEach
  void stop() {
    berthing.close();
  }

  private JsonNode found(String query) {
    return SERVER.api().get("/api/exchanges?service=" + service + query).body();
  }

  @Test
  void theyAreFoundByServiceAndText() {
    assertThat(found("").size()).isGreaterThanOrEqualTo(3);
    assertThat(SERVER.api().get("/api/exchanges?service=other").body()).isEmpty();
    assertThat(found("&find=Q-71")).hasSize(1);
    assertThat(found("&find=100%25_sure")).hasSize(1);
    assertThat(found("&find=100X")).isEmpty();
    assertThat(found("&before=2020-01-01T00:00:00Z")).isEmpty();
    assertThat(found("&failed=true").valueStream().map(one -> one.at("/status").asInt(0)))
        .allMatch(status -> status == 0 || status >= 400);
  }

  @Test
  void theLastDayIsCountedWithWhatFailedAndWhy() {
    berthing.close();
    ask("S-2");

    JsonNode health = SERVER.api().get("/api/health").body();

    JsonNode ours =
        health
            .at("/operations")
            .valueStream()
            .filter(one -> one.at("/service").asString().equals(service))
            .findFirst()
            .orElseThrow();
    assertThat(ours.at("/operation").asString()).isEqualTo("VesselParticulars");
    assertThat(ours.at("/calls").asInt()).isEqualTo(4);
    assertThat(ours.at("/failed").asInt()).isEqualTo(1);
    assertThat(ours.at("/lastFailure/words").asString()).contains("connection");
    assertThat(health.at("/hours").valueStream().mapToInt(hour -> hour.at("/failed").asInt()).sum())
        .isPositive();
    assertThat(
            SERVER
                .api()
                .get("/api/exchanges/" + ours.at("/lastFailure/exchange").asString())
                .status())
        .isEqualTo(200);
  }

  @Test
  void oldAndTooManyOnesGoButNotThoseThatSamplesShow() {
    ExchangeStore store = SERVER.bean(ExchangeStore.class);
    ask("S-9");
    assertThat(store.removeBefore(OffsetDateTime.parse("2020-01-01T00:00:00Z"))).isZero();

    assertThat(store.removeBeyond(1)).isPositive();

    assertThat(found("")).hasSize(1);
    assertThat(store.removeBefore(OffsetDateTime.now().plusDays(1))).isZero();
    assertThat(
            SERVER
                .api()
                .get("/api/services/" + service + "/operations/VesselParticulars")
                .text("/sample/sent/exchange"))
        .isNotEmpty();
  }
}
