package org.mapsel.core.exchange;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;

/**
 * One request and its answer as they went over the wire.
 *
 * @param failure why there is no response
 */
public record Exchange(
    Request request,
    Optional<Response> response,
    Optional<Finding> failure,
    Instant started,
    Duration took) {

  /** The same with another request in its place, for instance one whose secrets are hidden. */
  public Exchange with(Request other) {
    return new Exchange(other, response, failure, started, took);
  }

  /** The same with its response made another, if there is one. */
  public Exchange answered(UnaryOperator<Response> other) {
    return new Exchange(request, response.map(other), failure, started, took);
  }
}
