package org.mapsel.server.upkeep;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** What the API says about upkeep. */
final class UpkeepViews {

  private UpkeepViews() {}

  /**
   * How long and how much is kept.
   *
   * @param exchangeDays exchanges that no sample shows go after so many days
   * @param exchangeMegabytes and the oldest of them where their messages take more than this
   * @param visitorDays those of visitors go after so many days in any case
   * @param apps for whose exchanges something else is said
   * @param editionDays descriptions that were read, and of which nothing uses any, go after so many
   */
  record UpkeepSettings(
      int exchangeDays,
      int exchangeMegabytes,
      @Nullable Integer visitorDays,
      @Nullable List<AppKeeping> apps,
      int editionDays) {

    private static final int USUAL_VISITOR_DAYS = 7;

    UpkeepSettings {
      visitorDays = visitorDays == null ? USUAL_VISITOR_DAYS : visitorDays;
      apps = apps == null ? List.of() : List.copyOf(apps);
    }

    private static final int MOST_DAYS = 3_650;
    private static final int MOST_MEGABYTES = 1_000_000;

    /** The same within what makes sense: a day and a megabyte at least. */
    UpkeepSettings within() {
      return new UpkeepSettings(
          days(exchangeDays),
          megabytes(exchangeMegabytes),
          days(Objects.requireNonNull(visitorDays)),
          Objects.requireNonNull(apps).stream()
              .map(one -> new AppKeeping(one.app(), days(one.days()), megabytes(one.megabytes())))
              .toList(),
          days(editionDays));
    }

    private static int days(int wanted) {
      return Math.clamp(wanted, 1, MOST_DAYS);
    }

    private static int megabytes(int wanted) {
      return Math.clamp(wanted, 1, MOST_MEGABYTES);
    }
  }

  /** How long and how much is kept of the exchanges of one app. */
  record AppKeeping(String app, int days, int megabytes) {
    AppKeeping {
      Objects.requireNonNull(app);
    }
  }

  /**
   * One kind of thing that is kept.
   *
   * @param bytes on the disk, packed as it is there, with its indexes
   */
  record HeldView(String what, long count, long bytes) {}

  /** What was let go the last time. */
  record TidiedView(OffsetDateTime at, int exchanges, int editions) {}

  /**
   * The workspace as it is kept.
   *
   * @param bytes of the whole database, with what it needs for itself
   * @param tidied missing until it was done for the first time since the server started
   */
  record UpkeepView(
      UpkeepSettings settings, List<HeldView> held, long bytes, @Nullable TidiedView tidied) {}
}
