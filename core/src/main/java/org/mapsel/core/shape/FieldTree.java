package org.mapsel.core.shape;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;

/** The fields below a shape as rows, depth first, each type that contains itself cut once. */
public final class FieldTree {

  /**
   * One field.
   *
   * @param needed whether it must have a value whatever else is left out: it and everything around
   *     it is required, and no alternative could stand in its place
   * @param rows the path of the nearest repeated field around it, the root if there is none
   * @param recursive its type is already open further up; nothing below it is listed
   * @param more something below it was left out because of a limit
   */
  public record Row(
      FieldPath path,
      Field field,
      Shape shape,
      boolean needed,
      FieldPath rows,
      boolean recursive,
      boolean more) {}

  /** How much of a tree is listed: levels below the root, and rows in all. */
  public record Limit(int depth, int rows) {

    /** What a screen can use at once. */
    public static final Limit SCREEN = new Limit(10, 5_000);
  }

  private final Shapes shapes;
  private final Limit limit;
  private final List<Row> rows = new ArrayList<>();
  private final Set<ShapeId> open = new HashSet<>();

  private FieldTree(Shapes shapes, Limit limit) {
    this.shapes = shapes;
    this.limit = limit;
  }

  public static List<Row> rows(Shapes shapes, ShapeId root, Limit limit) {
    FieldTree tree = new FieldTree(shapes, limit);
    tree.open.add(root);
    tree.below(root, FieldPath.ROOT, FieldPath.ROOT, true);
    return tree.rows;
  }

  private void below(ShapeId id, FieldPath path, FieldPath around, boolean neededAround) {
    boolean neededHere = neededAround && !(shapes.get(id) instanceof Shape.OneOf);
    for (Field field : shapes.fieldsOf(id)) {
      if (rows.size() >= limit.rows()) {
        return;
      }
      FieldPath here = path.then(field.name());
      boolean inside = !shapes.fieldsOf(field.shape()).isEmpty();
      boolean recursive = inside && open.contains(field.shape());
      boolean more = inside && !recursive && here.length() >= limit.depth();
      Shape shape = shapes.get(field.shape());
      boolean needed = neededHere && field.isRequired();
      rows.add(new Row(here, field, shape, needed, around, recursive, more));
      if (inside && !recursive && !more) {
        open.add(field.shape());
        below(field.shape(), here, field.isRepeated() ? here : around, needed);
        open.remove(field.shape());
      }
    }
  }
}
