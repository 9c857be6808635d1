package org.mapsel.core.drift;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;

/**
 * Numbers for what stands below shapes: the same number for trees that do not differ in anything
 * that is told apart here. Most of two editions is the same, and need not be gone through then.
 */
final class Trees {

  /** Deeper than fields are compared. */
  private static final int DEEPEST = 24;

  private final Map<List<Object>, Integer> numbers = new HashMap<>();

  /** The trees of one edition. */
  final class Edition {

    private record At(ShapeId shape, int depth) {}

    /** What a shape says by itself, and the shapes below it. */
    private record Level(int number, List<ShapeId> below) {}

    private final Shapes shapes;
    private final Map<ShapeId, Level> levels = new HashMap<>();
    private final Map<At, Integer> known = new HashMap<>();

    Edition(Shapes shapes) {
      this.shapes = shapes;
    }

    int number(ShapeId root) {
      return number(new At(root, DEEPEST));
    }

    private int number(At at) {
      Integer before = known.get(at);
      if (before != null) {
        return before;
      }
      Level level = levels.computeIfAbsent(at.shape, this::level);
      int number = level.number;
      if (at.depth > 0 && !level.below.isEmpty()) {
        List<Object> says = new ArrayList<>(level.below.size() + 1);
        says.add(number);
        level.below.forEach(shape -> says.add(number(new At(shape, at.depth - 1))));
        number = numbered(says);
      }
      known.put(at, number);
      return number;
    }

    private Level level(ShapeId id) {
      List<Object> says = new ArrayList<>();
      List<ShapeId> below = new ArrayList<>();
      says.add(shapes.get(id).getClass());
      for (Field field : shapes.fieldsOf(id)) {
        says.add(field.name());
        says.add(field.occurrence());
        says.add(field.documentation());
        says.add(field.assumed());
        says.add(field.wire().getClass());
        if (shapes.get(field.shape()) instanceof Shape.Scalar scalar) {
          says.add(scalar.type());
          says.add(scalar.facets());
        } else {
          below.add(field.shape());
        }
      }
      return new Level(numbered(says), below);
    }
  }

  private int numbered(List<Object> says) {
    return numbers.computeIfAbsent(says, none -> numbers.size());
  }
}
