package org.mapsel.server.apps;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Folio;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.check.AppFinding;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.ref.PageId;
import org.mapsel.server.web.FindingView;

/** What the API says about apps. */
public final class AppViews {

  private AppViews() {}

  static List<PageBrief> briefs(App app) {
    return app.pages().stream()
        .map(page -> new PageBrief(page.id().text(), page.name(), page.arguments().isEmpty()))
        .toList();
  }

  /** Where visitors of an app begin: every page that can be opened by itself, if not arranged. */
  static Folio start(App app) {
    if (!app.start().sections().isEmpty()) {
      return app.start();
    }
    return new Folio(
        List.of(
            new Folio.Section(
                "",
                app.pages().stream()
                    .filter(page -> page.arguments().isEmpty())
                    .map(
                        page ->
                            new Folio.Entry(
                                "", page.id().text(), page.name(), "", Optional.empty()))
                    .toList())));
  }

  /**
   * An app in one line.
   *
   * @param release the number of the release that visitors see
   * @param changedAt when it was edited last; nothing where visitors look
   */
  record AppBrief(
      String id,
      String name,
      @Nullable Long release,
      @Nullable OffsetDateTime changedAt,
      List<PageBrief> pages) {}

  /**
   * A page in one line.
   *
   * @param alone whether it can be opened by itself, and need not be led to
   */
  record PageBrief(String id, String name, boolean alone) {}

  /**
   * An app as it stands.
   *
   * @param start the start page as it was arranged
   * @param undo and {@code redo} say what they would do
   * @param errors how many findings say that something does not work
   */
  record AppView(
      String id,
      long version,
      String name,
      List<PageBrief> pages,
      List<PinView> services,
      Folio start,
      @Nullable String undo,
      @Nullable String redo,
      int errors,
      int warnings) {}

  /**
   * A service that an app uses.
   *
   * @param newest whether there is no newer edition than the one it is pinned to
   */
  record PinView(String service, String name, String edition, boolean newest) {}

  /** A new app. */
  record NewApp(String name) {
    NewApp {
      Objects.requireNonNull(name);
    }
  }

  /** An edit of the app at a version. */
  record EditRequest(long version, AppEdit edit) {
    EditRequest {
      Objects.requireNonNull(edit);
    }
  }

  /** A version to go on from. */
  record VersionRequest(long version) {}

  /** Something to say about an app, where it is, and what would mend it. */
  record AppFindingView(
      FindingView finding,
      @Nullable PageId page,
      @Nullable String pageName,
      @Nullable Subject subject,
      List<RepairView> repairs) {

    static AppFindingView of(AppFinding found, App app) {
      return new AppFindingView(
          FindingView.of(found.finding()),
          found.page().orElse(null),
          found.page().flatMap(app::find).map(Page::name).orElse(null),
          found.finding().subject().orElse(null),
          found.repairs().stream()
              .map(repair -> new RepairView(repair.words(), repair.edit()))
              .toList());
    }
  }

  /** An edit that mends something. */
  record RepairView(String words, AppEdit edit) {}
}
