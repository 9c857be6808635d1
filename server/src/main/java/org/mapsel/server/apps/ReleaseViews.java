package org.mapsel.server.apps;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
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
   * @param called the services of the draft, with where the newest one calls them
   */
  record ReleasesView(
      @Nullable Long current,
      List<AppChange> draft,
      List<CalledService> called,
      List<ReleaseView> releases) {}

  /**
   * A service that a version of an app calls.
   *
   * @param environment where; empty for the addresses of the description
   * @param environments where else it can be called
   */
  record CalledService(
      String service, String name, String environment, List<String> environments) {}

  /**
   * A release.
   *
   * @param changes what differs from the one before it; nothing for the first one
   */
  record ReleaseView(
      long number,
      String note,
      String author,
      OffsetDateTime madeAt,
      List<AppChange> changes,
      List<CalledService> called) {}

  /**
   * The draft at a version, to be handed over.
   *
   * @param environments where to call its services, by service; empty for the addresses of the
   *     description
   */
  record NewRelease(
      long version, String note, String author, @Nullable Map<String, String> environments) {
    NewRelease {
      Objects.requireNonNull(note);
      Objects.requireNonNull(author);
      environments = environments == null ? Map.of() : Map.copyOf(environments);
    }
  }

  /** Where services are to be called, by service, as in a new release. */
  record WhereToCall(Map<String, String> environments) {
    WhereToCall {
      environments = Map.copyOf(environments);
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
