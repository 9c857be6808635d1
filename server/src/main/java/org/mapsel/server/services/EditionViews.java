package org.mapsel.server.services;

import java.time.OffsetDateTime;
import java.util.Objects;

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
}
