package org.mapsel.server.samples;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;

/** How services are made to look to those who build pages: as on good days, or on bad ones. */
public enum Simulation {
  /** As they are. */
  NONE,
  /** Everything takes some seconds longer. */
  SLOW,
  /** Answers are errors; nothing is sent. */
  FAILING,
  /** Answers break off; nothing is sent. */
  DROPPED,
  /** Answers are samples; nothing is sent. */
  SAMPLES;

  private static final long LONGER = 3_000;
  private static final int UNAVAILABLE = 503;
  private static final String TOLD = "simulated; nothing was sent";

  /**
   * What goes out through something else, looking as it is wished. What is answered from samples
   * does not go out.
   */
  public Exchanger over(Exchanger real) {
    return switch (this) {
      case NONE, SAMPLES -> real;
      case SLOW ->
          (request, access) -> {
            pause();
            return real.send(request, access);
          };
      case FAILING ->
          (request, access) ->
              exchange(
                  request,
                  Optional.of(
                      new Response(
                          UNAVAILABLE,
                          Map.of(
                              "Content-Type",
                              List.of("text/plain"),
                              "Mapsel-Simulated",
                              List.of(TOLD)),
                          "The service is made to look as if it failed."
                              .getBytes(StandardCharsets.UTF_8))),
                  Optional.empty());
      case DROPPED ->
          (request, access) ->
              exchange(
                  request,
                  Optional.empty(),
                  Optional.of(
                      Finding.error(
                          "EXCHANGE_ANSWER_DROPPED",
                          "address",
                          AccessHeaders.shown(request.address(), access),
                          "reason",
                          TOLD)));
    };
  }

  private static Exchange exchange(
      Request request, Optional<Response> response, Optional<Finding> failure) {
    return new Exchange(request, response, failure, Instant.now(), Duration.ZERO);
  }

  private static void pause() {
    try {
      Thread.sleep(LONGER);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
