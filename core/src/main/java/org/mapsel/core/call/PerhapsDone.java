package org.mapsel.core.call;

import java.util.Map;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;

/**
 * Failures after which nobody knows whether what was asked was done. For requests that change
 * something they are told in other words: sending it once more could do it twice.
 */
final class PerhapsDone {

  private static final Map<String, String> CODES =
      Map.of(
          "EXCHANGE_ANSWER_LATE", "CALL_LATE_PERHAPS_DONE",
          "EXCHANGE_ANSWER_DROPPED", "CALL_DROPPED_PERHAPS_DONE",
          "EXCHANGE_ANSWER_TOO_LARGE", "CALL_TOO_LARGE_PERHAPS_DONE");

  private PerhapsDone() {}

  static Exchange told(Exchange exchange) {
    return new Exchange(
        exchange.request(),
        exchange.response(),
        exchange.failure().map(PerhapsDone::told),
        exchange.started(),
        exchange.took());
  }

  private static Finding told(Finding failure) {
    return new Finding(
        CODES.getOrDefault(failure.code(), failure.code()),
        failure.severity(),
        failure.arguments(),
        failure.places(),
        failure.subject());
  }
}
