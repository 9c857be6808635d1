package org.mapsel.server.apps;

import java.util.List;
import java.util.Objects;
import org.mapsel.core.page.Folio;
import org.mapsel.server.apps.AppViews.AppBrief;

/** What the API says about the start page of the workspace. */
final class StartViews {

  private StartViews() {}

  /**
   * The start page.
   *
   * @param version how often it was arranged
   * @param apps what can be opened
   */
  record StartView(long version, Folio folio, List<AppBrief> apps) {}

  /** The start page arranged anew, from a version of it. */
  record StartRequest(long version, Folio folio) {
    StartRequest {
      Objects.requireNonNull(folio);
    }
  }
}
