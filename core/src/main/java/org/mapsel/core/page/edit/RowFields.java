package org.mapsel.core.page.edit;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/**
 * What of a row tells it apart, and what people read of it.
 *
 * @param title the key where nothing looks like a name
 */
public record RowFields(FieldPath key, FieldPath title) {

  private static final List<String> KEYS = List.of("id", "code", "key", "number", "no");
  private static final List<String> TITLES = List.of("name", "title", "label", "description");

  /** What the model says, else what the description says, else what the names tell. */
  public static RowFields of(Model model, Shapes shapes, ShapeRef row) {
    List<FieldTree.Row> fields =
        FieldTree.rows(shapes, row.shape(), FieldTree.Limit.RETURNED).stream()
            .filter(one -> one.path().length() == 1 && one.shape() instanceof Shape.Scalar)
            .filter(one -> !one.field().hints().hidden())
            .toList();
    FieldPath first = fields.isEmpty() ? FieldPath.ROOT : fields.get(0).path();
    FieldPath key =
        set(model, row, fields, Overrides::key).or(() -> called(fields, KEYS)).orElse(first);
    FieldPath title =
        set(model, row, fields, Overrides::title).or(() -> called(fields, TITLES)).orElse(key);
    return new RowFields(key, title);
  }

  private static Optional<FieldPath> set(
      Model model,
      ShapeRef row,
      List<FieldTree.Row> fields,
      Function<Overrides, Optional<Boolean>> decided) {
    return fields.stream()
        .map(FieldTree.Row::path)
        .filter(path -> decided.apply(model.set(new FieldRef(row, path.last()))).orElse(false))
        .findFirst();
  }

  private static Optional<FieldPath> called(List<FieldTree.Row> fields, List<String> names) {
    return names.stream()
        .flatMap(
            name ->
                fields.stream()
                    .map(FieldTree.Row::path)
                    .filter(path -> path.last().toLowerCase(Locale.ROOT).endsWith(name)))
        .findFirst();
  }
}
