package org.mapsel.core.model;

import java.util.ArrayList;
import java.util.List;

/**
 * A field of a record type of which something was decided.
 *
 * @param name unique in its type
 * @param at the fields of shapes that it stands for: one of each shape of its type at most
 */
public record ModelField(String name, List<FieldRef> at, Overrides set) {

  public ModelField {
    at = List.copyOf(at);
  }

  public boolean standsFor(FieldRef field) {
    return at.contains(field);
  }

  public ModelField with(Overrides other) {
    return new ModelField(name, at, other);
  }

  /** Standing for a field of one more shape. */
  public ModelField alsoAt(FieldRef field) {
    List<FieldRef> more = new ArrayList<>(at);
    more.removeIf(known -> known.owner().equals(field.owner()));
    more.add(field);
    return new ModelField(name, more, set);
  }

  /** Without what it stands for in a shape. */
  public ModelField notAt(ShapeRef shape) {
    return new ModelField(
        name, at.stream().filter(field -> !field.owner().equals(shape)).toList(), set);
  }
}
