package org.mapsel.core.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.Step;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;

/**
 * A field of a shape: where decisions about it are kept, whatever the way to it.
 *
 * @param name its name; for one below a picked item or cut out of a text the way to it in words
 */
public record FieldRef(ShapeRef owner, String name) {

  /** What stands at the end of a path; nothing if the path leads nowhere or is the root. */
  public static Optional<FieldRef> at(String service, Shapes shapes, ShapeId root, FieldPath path) {
    List<Field> way = shapes.way(root, path);
    if (way.isEmpty()) {
      return Optional.empty();
    }
    int from = path.length() - 1;
    for (int i = 0; i < path.length(); i++) {
      if (!(path.steps().get(i) instanceof Step.Name)) {
        // The list that is picked from, or the text that is cut, says where the field stands.
        from = i - 1;
        break;
      }
    }
    ShapeId owner = from <= 0 ? root : way.get(from - 1).shape();
    List<String> words = new ArrayList<>();
    path.steps()
        .subList(Math.max(0, from), path.length())
        .forEach(step -> words.add(step.toString()));
    return Optional.of(new FieldRef(new ShapeRef(service, owner), String.join(" › ", words)));
  }
}
