package org.mapsel.core.page.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Looks;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/** The columns of rows that stand inside a row: what the model says of the fields of such rows. */
final class InnerColumns {

  /** More of a row than this is read on a page of its own. */
  private static final int MOST = 12;

  private InnerColumns() {}

  /**
   * The simple fields of the rows, in the order of the model, without the hidden ones.
   *
   * @param source where the rows come from
   */
  static List<PagePlan.InnerColumn> of(
      PageReach reach, Looks looks, Source source, Reach around, Shapes shapes, ShapeId rows) {
    Optional<String> service = reach.service(source, around);
    if (service.isEmpty()) {
      return List.of();
    }
    ShapeRef row = new ShapeRef(service.get(), rows);
    return FieldTree.rows(shapes, rows, FieldTree.Limit.SCREEN).stream()
        .filter(one -> one.path().length() == 1 && one.shape() instanceof Shape.Scalar)
        .map(
            one ->
                new PagePlan.InnerColumn(
                    one.path(),
                    looks.of(
                        one.path(),
                        one.field(),
                        one.shape(),
                        new FieldRef(row, one.path().last()),
                        Overrides.NONE)))
        .filter(column -> !column.look().hidden())
        .sorted(Comparator.comparing(column -> column.look().order().orElse(Integer.MAX_VALUE)))
        .limit(MOST)
        .toList();
  }
}
