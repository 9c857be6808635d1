package org.mapsel.server.checks;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.server.checks.SampleViews.DeviationView;
import org.mapsel.server.web.FindingView;

/** What is told of exchanges of the log that are put to use. */
final class LoggedViews {

  private LoggedViews() {}

  /**
   * What came of sending once more.
   *
   * @param exchange its new exchange; null if nothing was sent
   */
  record SentAgain(@Nullable String exchange, List<FindingView> findings) {}

  /** Where an exchange is shown now. */
  record ShownAgain(String service, String operation) {}

  /** The name of a sample that an exchange becomes. */
  record KeepRequest(String name) {
    KeepRequest {
      Objects.requireNonNull(name);
    }
  }

  /** What differs between two answers. */
  record ComparisonView(List<DeviationView> deviations) {}
}
