package org.mapsel.server.health;

import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the API says about how services did. */
final class HealthViews {

  private HealthViews() {}

  /**
   * The last day.
   *
   * @param until when it ends
   * @param operations those that were called, what failed most first
   * @param hours those in which something was called, the oldest first
   */
  record HealthView(OffsetDateTime until, List<OperationHealth> operations, List<HourLine> hours) {}

  /**
   * An operation.
   *
   * @param lastFailure the newest of its calls that failed
   * @param pages those that call it
   */
  record OperationHealth(
      String service,
      String operation,
      int calls,
      int failed,
      long medianMillis,
      long slowestMillis,
      @Nullable FailedCall lastFailure,
      List<PageUse> pages) {}

  /**
   * A call that failed.
   *
   * @param words what came instead of an answer; nothing where there was one, with a status that
   *     says it is none
   */
  record FailedCall(
      String exchange, OffsetDateTime at, @Nullable Integer status, @Nullable String words) {}

  /** A page that calls something. */
  record PageUse(String app, String appName, String page, String pageName) {}

  /** An hour. */
  record HourLine(OffsetDateTime from, int calls, int failed, long meanMillis) {}
}
