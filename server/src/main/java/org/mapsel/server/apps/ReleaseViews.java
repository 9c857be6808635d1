package org.mapsel.server.apps;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.Folio;
import org.mapsel.core.release.AppChange;
import org.mapsel.server.apps.AppViews.PageBrief;

/** What the API says about releases. */
final class ReleaseViews {

  private ReleaseViews() {}

  /**
   * The releases of an app.
   *
   * @param current the number of the one that visitors see
   * @param draft what differs between the newest one and the draft; nothing if there is none
   */
  record ReleasesView(@Nullable Long current, List<AppChange> draft, List<ReleaseView> releases) {}

  /**
   * A release.
   *
   * @param changes what differs from the one before it; nothing for the first one
   */
  record ReleaseView(
      long number, String note, String author, OffsetDateTime madeAt, List<AppChange> changes) {}

  /** The draft at a version, to be handed over. */
  record NewRelease(long version, String note, String author) {
    NewRelease {
      Objects.requireNonNull(note);
      Objects.requireNonNull(author);
    }
  }

  /** The release that visitors are to see. */
  record CurrentRelease(long number) {}

  /**
   * An app as visitors open it.
   *
   * @param release nothing for the draft
   * @param start its start page; its pages in their order if nobody arranged one
   */
  record OpenView(
      String id, String name, @Nullable Long release, List<PageBrief> pages, Folio start) {}
}
