package org.mapsel.server.samples;

import static java.time.ZoneOffset.UTC;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.PersonalData;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.server.testing.FakeBerthing;
import org.mapsel.server.testing.TestServer;
import org.springframework.util.unit.DataSize;
import tools.jackson.databind.JsonNode;

/** Exchanges are found again, and old ones go. */
class ExchangeLogTest {

  @RegisterExtension static final TestServer SERVER = new TestServer();

  private static final int WRITERS = 4;
  private static final int BODY_BYTES = 4_000;

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
    assertThat(found("&find=Q-")).as("of few letters").hasSize(1);
    assertThat(found("&before=2020-01-01T00:00:00Z")).isEmpty();
  }

  private List<Integer> statuses(Outcome outcome) {
    return found("&outcome=" + outcome)
        .valueStream()
        .map(one -> one.at("/status").asInt(0))
        .toList();
  }

  @Test
  void theyAreFoundByWhatBecameOfThem() {
    ExchangeStore store = SERVER.bean(ExchangeStore.class);
    keep(store, "desk", "page_1", false, 0);
    for (int status : new int[] {204, 304, 400, 499, 500, 503}) {
      store.add(
          new ExchangeStore.Of(service, "Asked", Asker.BUILDER, PersonalData.NONE),
          new Exchange(
              new Request("GET", "http://quay.example/" + status, List.of(), new byte[0]),
              Optional.of(new Response(status, Map.of(), new byte[0])),
              Optional.empty(),
              Instant.now(),
              Duration.ZERO));
    }

    assertThat(statuses(Outcome.ANSWERED)).contains(200, 204, 304).allMatch(status -> status < 400);
    assertThat(statuses(Outcome.FAILED)).containsExactlyInAnyOrder(0, 400, 499, 500, 503);
    assertThat(statuses(Outcome.REFUSED)).containsExactlyInAnyOrder(400, 499);
    assertThat(statuses(Outcome.BROKEN)).containsExactlyInAnyOrder(500, 503);
    assertThat(statuses(Outcome.UNANSWERED)).containsExactly(0);
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

  private void keep(ExchangeStore store, String app, String page, boolean visitor, int days) {
    store.add(
        new ExchangeStore.Of(
            service,
            "Asked",
            new Asker(Optional.of(app), Optional.of(page), visitor),
            PersonalData.NONE),
        new Exchange(
            new Request("GET", "http://quay.example/" + days, List.of(), new byte[0]),
            Optional.empty(),
            Optional.of(Finding.error("EXCHANGE_ANSWER_DROPPED")),
            Instant.now().minus(Duration.ofDays(days)),
            Duration.ZERO));
  }

  @Test
  void theyAreFoundByWhoAskedAndEachAppKeepsItsOwnTime() {
    ExchangeStore store = SERVER.bean(ExchangeStore.class);
    ExchangeLog log = SERVER.bean(ExchangeLog.class);
    keep(store, "desk", "page_1", false, 20);
    keep(store, "desk", "page_2", true, 20);
    keep(store, "desk", "page_2", true, 2);
    keep(store, "yard", "page_1", false, 20);

    assertThat(found("&app=desk")).hasSize(3);
    assertThat(found("&app=desk&page=page_2&visitor=true")).hasSize(2);
    assertThat(found("&operation=Asked&visitor=false")).hasSize(2);
    assertThat(found("&operation=Asked&from=" + OffsetDateTime.now(UTC).minusDays(3))).hasSize(1);
    assertThat(found("&visitor=true").at("/0/page").asString()).isEqualTo("page_2");

    OffsetDateTime now = OffsetDateTime.now();
    ExchangeLog.Limit month = new ExchangeLog.Limit(now.minusDays(30), DataSize.ofMegabytes(99));
    ExchangeLog.Limit days = new ExchangeLog.Limit(now.minusDays(9), DataSize.ofMegabytes(99));
    log.trim(month, Map.of("yard", days), now.minusDays(7), now);

    assertThat(found("&operation=Asked").valueStream().map(one -> one.at("/address").asString()))
        .containsExactly("http://quay.example/2", "http://quay.example/20");
    assertThat(found("&app=yard")).isEmpty();
  }

  private void recordMany(ExchangeStore store, int writer, int many, Instant from) {
    for (int i = 0; i < many; i++) {
      store.add(
          new ExchangeStore.Of(service, "Load", Asker.BUILDER, PersonalData.NONE),
          new Exchange(
              new Request("POST", "http://quay.example/" + writer, List.of(), new byte[BODY_BYTES]),
              Optional.empty(),
              Optional.of(Finding.error("EXCHANGE_ANSWER_DROPPED")),
              from.plusMillis(i),
              Duration.ZERO));
    }
  }

  @Test
  void theSizeIsKeptToWhileManyAreRecorded() throws Exception {
    ExchangeStore store = SERVER.bean(ExchangeStore.class);
    ExchangeLog log = SERVER.bean(ExchangeLog.class);
    OffsetDateTime longAgo = OffsetDateTime.now().minusDays(30);
    ExchangeLog.Limit limit = new ExchangeLog.Limit(longAgo, DataSize.ofBytes(40L * BODY_BYTES));
    Instant from = Instant.now().minus(Duration.ofHours(1));
    OffsetDateTime settled = OffsetDateTime.now().minusMinutes(1);
    long before = log.recorded().toBytes();
    int gone = 0;
    try (ExecutorService writers = Executors.newFixedThreadPool(WRITERS)) {
      List<Future<?>> writing = new ArrayList<>();
      for (int i = 0; i < WRITERS; i++) {
        int writer = i;
        writing.add(writers.submit(() -> recordMany(store, writer, 250, from)));
      }
      while (!writing.stream().allMatch(Future::isDone)) {
        ask("S-" + gone);
        gone += log.trim(limit, Map.of(), longAgo, settled);
      }
      for (Future<?> one : writing) {
        one.get();
      }
    }
    gone += log.trim(limit, Map.of(), longAgo, settled);

    assertThat(log.recorded().toBytes() - before).isGreaterThanOrEqualTo(1000L * BODY_BYTES);
    assertThat(found("&operation=Load")).hasSizeBetween(1, 40);
    assertThat(gone).isGreaterThanOrEqualTo(960);
    assertThat(found("&operation=Load").at("/0/startedAt").asString())
        .as("the newest stay")
        .satisfies(
            newest ->
                assertThat(OffsetDateTime.parse(newest).toInstant()).isAfter(from.plusMillis(200)));
    assertThat(found("&operation=VesselParticulars")).as("what just came").isNotEmpty();
    String shown =
        SERVER
            .api()
            .get("/api/services/" + service + "/operations/VesselParticulars")
            .text("/sample/sent/exchange");
    assertThat(SERVER.api().get("/api/exchanges/" + shown).status()).isEqualTo(200);
  }

  @Test
  void oldAndTooManyOnesGoButNotThoseThatSamplesShow() {
    ExchangeStore store = SERVER.bean(ExchangeStore.class);
    ask("S-9");
    ExchangeStore.Some all = new ExchangeStore.Some.OfOthers(Set.of());
    assertThat(store.removeBefore(all, OffsetDateTime.parse("2020-01-01T00:00:00Z"))).isZero();

    assertThat(store.removeBeyond(all, 1, OffsetDateTime.parse("2020-01-01T00:00:00Z"))).isZero();
    assertThat(store.removeBeyond(all, 1, OffsetDateTime.now().plusMinutes(1))).isPositive();

    assertThat(found("")).hasSize(1);
    assertThat(store.removeBefore(all, OffsetDateTime.now().plusDays(1))).isZero();
    assertThat(
            SERVER
                .api()
                .get("/api/services/" + service + "/operations/VesselParticulars")
                .text("/sample/sent/exchange"))
        .isNotEmpty();
  }
}
