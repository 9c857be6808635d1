package org.mapsel.core.shape;

import java.util.List;
import org.mapsel.core.ref.ShapeId;

/** The type of a value. */
public sealed interface Shape {

  ShapeId id();

  /**
   * One simple value.
   *
   * @param builtIn the name its format gives to the built-in type below it, for instance {@code
   *     xs:decimal}
   */
  record Scalar(ShapeId id, ScalarType type, String builtIn, Facets facets) implements Shape {}

  /** Named fields, in the order of the wire. */
  record Record(ShapeId id, List<Field> fields) implements Shape {
    public Record {
      fields = List.copyOf(fields);
    }
  }

  /** A list as a value of its own, where the list itself has no field around it. */
  record Repeated(ShapeId id, ShapeId item) implements Shape {}

  /** Exactly one of several fields. */
  record OneOf(ShapeId id, List<Field> alternatives) implements Shape {
    public OneOf {
      alternatives = List.copyOf(alternatives);
    }
  }

  /** Anything at all. */
  record Open(ShapeId id) implements Shape {}
}
