package org.mapsel.core.page.plan;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Reach;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Looks;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.ValueType;

/** The columns of rows that stand inside a row. */
final class InnerColumns {

  /** More of a row than this is read on a page of its own. */
  private static final int MOST = 12;

  private InnerColumns() {}

  /**
   * The simple fields of the rows: those that were chosen, or else those that the model does not
   * hide, in its order.
   *
   * @param source where the rows come from
   * @param chosen by name; one that the rows do not have any more is passed over
   */
  static PagePlan.InnerRows of(
      PageReach reach,
      Looks looks,
      Source source,
      Reach around,
      ValueType.Shaped rows,
      List<String> chosen) {
    Optional<String> service = reach.service(source, around);
    if (service.isEmpty()) {
      return new PagePlan.InnerRows(List.of(), List.of());
    }
    Map<String, PagePlan.InnerColumn> all = all(looks, service.get(), rows);
    List<PagePlan.InnerColumn> columns =
        chosen.stream().flatMap(name -> Stream.ofNullable(all.get(name))).toList();
    if (columns.isEmpty()) {
      columns =
          all.values().stream().filter(column -> !column.look().hidden()).limit(MOST).toList();
    }
    Set<PagePlan.InnerColumn> shown = Set.copyOf(columns);
    return new PagePlan.InnerRows(
        columns, all.values().stream().filter(column -> !shown.contains(column)).toList());
  }

  /** All simple fields by name, in the order of the model. */
  private static Map<String, PagePlan.InnerColumn> all(
      Looks looks, String service, ValueType.Shaped rows) {
    ShapeRef row = new ShapeRef(service, rows.shape());
    Map<String, PagePlan.InnerColumn> all = new LinkedHashMap<>();
    FieldTree.rows(rows.shapes(), rows.shape(), FieldTree.Limit.RETURNED).stream()
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
        .sorted(Comparator.comparing(column -> column.look().order().orElse(Integer.MAX_VALUE)))
        .forEach(column -> all.put(column.path().last(), column));
    return all;
  }
}
