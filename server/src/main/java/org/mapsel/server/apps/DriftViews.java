package org.mapsel.server.apps;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.drift.Harm;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.server.apps.AppViews.AppFindingView;

/** What the API says about editions that differ. */
final class DriftViews {

  private DriftViews() {}

  /**
   * What differs between two editions of a service.
   *
   * @param apps those that use it
   */
  record DriftView(String from, String to, List<DifferenceView> differences, List<UserView> apps) {}

  /**
   * One thing that differs.
   *
   * @param path the field; empty if the operation as a whole is meant
   */
  record DifferenceView(
      Harm harm,
      Difference.Kind what,
      String operation,
      Difference.@Nullable Side side,
      String path,
      String before,
      String after) {

    static DifferenceView of(Difference one) {
      return new DifferenceView(
          one.harm(),
          one.kind(),
          one.operation().text(),
          one.side().orElse(null),
          one.path().isRoot() ? "" : one.path().toString(),
          one.before(),
          one.after());
    }
  }

  /**
   * An app that uses the service.
   *
   * @param there whether it uses the newer edition already
   * @param broken how much would be wrong with it there and is not now
   * @param followed how many fields would be followed to another name or place
   */
  record UserView(String id, String name, boolean there, int broken, int followed) {}

  /**
   * What moving an app to another edition takes.
   *
   * @param differences of the operations that it calls
   * @param edits those that come first: fields are followed to their new names, and the move itself
   * @param findings what is wrong then and is not now, with what mends it
   */
  record MoveView(
      List<DifferenceView> differences, List<AppEdit> edits, List<AppFindingView> findings) {}
}
