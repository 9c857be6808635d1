package org.mapsel.server.apps;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Subject;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.ref.PageId;
import org.mapsel.server.web.FindingView;

/** What the API says about apps. */
public final class AppViews {

  private AppViews() {}

  /** An app in one line. */
  record AppBrief(String id, String name, List<PageBrief> pages) {}

  /**
   * A page in one line.
   *
   * @param alone whether it can be opened by itself, and need not be led to
   */
  record PageBrief(String id, String name, boolean alone) {}

  /**
   * An app as it stands.
   *
   * @param undo and {@code redo} say what they would do
   * @param errors how many findings say that something does not work
   */
  record AppView(
      String id,
      long version,
      String name,
      List<PageBrief> pages,
      List<PinView> services,
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
      List<RepairView> repairs) {}

  /** An edit that mends something. */
  record RepairView(String words, AppEdit edit) {}
}
