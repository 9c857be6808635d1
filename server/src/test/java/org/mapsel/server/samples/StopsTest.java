package org.mapsel.server.samples;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Secret;

/** What is told of requests that were not waited for, or that were made to look broken. */
class StopsTest {

  private static final Access KEYED =
      new Access(
          new Access.Login.ApiKey("key", Secret.of("ebb-and-flow"), true),
          List.of(),
          Optional.empty(),
          Access.Addressing.AS_DESCRIBED,
          Access.Connection.PLAIN);

  private static final Request REQUEST =
      new Request(
          "GET", AccessHeaders.address("http://localhost:1/a", KEYED), List.of(), new byte[0]);

  private static final Exchanger ANSWERING =
      (request, access) ->
          new Exchange(
              request,
              Optional.of(new Response(200, Map.of(), new byte[0])),
              Optional.empty(),
              Instant.EPOCH,
              Duration.ZERO);

  private static String told(Exchanger exchanger) {
    Exchange exchange = exchanger.send(REQUEST, KEYED);
    assertThat(exchange.response()).isEmpty();
    return FindingText.message(exchange.failure().orElseThrow());
  }

  @Test
  void onceStoppedNothingMoreGoesOutAndTheKeyInTheAddressIsNotTold() {
    Stops stops = new Stops();
    try (Stops.Waiting waiting = stops.waiting("k")) {
      Exchanger way = waiting.over(ANSWERING);
      assertThat(way.send(REQUEST, KEYED).response()).isPresent();
      stops.stop("k");
      assertThat(told(way)).contains("http://localhost:1/a").doesNotContain("ebb-and-flow");
    }
    assertThat(Thread.currentThread().isInterrupted()).isFalse();
  }

  @Test
  void anAnswerThatSeemsToBreakOffDoesNotTellTheKeyEither() {
    assertThat(told(Simulation.DROPPED.over(ANSWERING)))
        .contains("http://localhost:1/a")
        .doesNotContain("ebb-and-flow");
  }
}
