package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/** Finds the simple fields and the repeated groups below a shape, each cycle cut once. */
final class FieldWalk {

  private static final int MAX_DEPTH = 8;
  private static final int MAX_FOUND = 2_000;

  /** A simple field, and the nearest repeated field around it. */
  record Leaf(FieldPath path, Field field, FieldPath rows) {}

  private final Shapes shapes;
  private final List<Leaf> leaves = new ArrayList<>();
  private final Set<ShapeId> open = new HashSet<>();

  private FieldWalk(Shapes shapes) {
    this.shapes = shapes;
  }

  static List<Leaf> leaves(Shapes shapes, ShapeId root) {
    FieldWalk walk = new FieldWalk(shapes);
    walk.walk(root, FieldPath.ROOT, FieldPath.ROOT);
    return walk.leaves;
  }

  private void walk(ShapeId id, FieldPath path, FieldPath rows) {
    if (path.length() >= MAX_DEPTH || !open.add(id)) {
      return;
    }
    for (Field field : shapes.fieldsOf(id)) {
      if (leaves.size() >= MAX_FOUND) {
        break;
      }
      FieldPath here = path.then(field.name());
      if (shapes.get(field.shape()) instanceof Shape.Scalar) {
        leaves.add(new Leaf(here, field, rows));
      } else {
        walk(field.shape(), here, field.isRepeated() ? here : rows);
      }
    }
    open.remove(id);
  }
}
