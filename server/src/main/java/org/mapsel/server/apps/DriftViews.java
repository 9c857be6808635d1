package org.mapsel.server.apps;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.drift.Harm;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.server.apps.AppViews.AppFindingView;

/** What the API says about editions that differ. */
final class DriftViews {

  private DriftViews() {}

  /**
   * What differs between two editions of a service.
   *
   * @param apps those that use it
   * @param samples those that have to do with what differs
   */
  record DriftView(
      String from,
      String to,
      List<DifferenceView> differences,
      List<UserView> apps,
      List<SampleUserView> samples) {}

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
      FieldPath path,
      String before,
      String after) {

    static DifferenceView of(Difference one) {
      return new DifferenceView(
          one.harm(),
          one.kind(),
          one.operation().text(),
          one.side().orElse(null),
          one.path(),
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
   * @param release what visitors have of it now; nothing if that is nothing
   */
  record UserView(
      String id,
      String name,
      boolean there,
      int broken,
      int followed,
      @Nullable ReleasedUserView release) {}

  /**
   * What visitors have of an app. A release is never changed; another one takes its place.
   *
   * @param there whether it uses the newer edition already
   * @param stale how much in it is not as the newer edition has it
   */
  record ReleasedUserView(long number, boolean there, int stale) {}

  /**
   * A sample that has to do with what differs.
   *
   * @param check whether something must hold of it
   * @param gone whether there is no such operation any more
   * @param touched what it holds that is otherwise there, or has not got and needs
   * @param followed what goes along by itself when the sample is read there
   */
  record SampleUserView(
      String operation,
      String name,
      boolean check,
      boolean gone,
      List<DifferenceView> touched,
      List<DifferenceView> followed) {}

  /** A page of an app as it would be after edits. */
  record PreviewRequest(String page, List<AppEdit> edits) {
    PreviewRequest {
      Objects.requireNonNull(page);
      edits = List.copyOf(edits);
    }
  }

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
