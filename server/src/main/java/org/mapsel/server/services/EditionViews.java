package org.mapsel.server.services;

import java.time.OffsetDateTime;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** What the API says about editions of services. */
public final class EditionViews {

  private EditionViews() {}

  /**
   * A description that was read again.
   *
   * @param edition what was read now
   * @param differs whether it is another one than before
   */
  record ReadingView(String edition, boolean differs) {}

  /** The edition that a service is to go on with. */
  record EditionRequest(String edition) {
    EditionRequest {
      Objects.requireNonNull(edition);
    }
  }

  /** An edition of a service. */
  public record EditionView(String edition, OffsetDateTime takenAt, boolean newest) {}

  /**
   * A service whose description is read again now and then.
   *
   * @param edition the one that was found and is not in use
   * @param problem why it could not be read the last time
   */
  record WatchView(
      String service,
      int everyMinutes,
      @Nullable OffsetDateTime readAt,
      @Nullable String edition,
      @Nullable String problem) {}

  /** How often a description is to be read; never if the minutes are none. */
  record WatchRequest(int everyMinutes) {}
}
