package org.mapsel.core.shape;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.ShapeId;

/** The type of a value. */
public sealed interface Shape {

  ShapeId id();

  /**
   * One simple value.
   *
   * @param builtIn the name its format gives to the built-in type below it, for instance {@code
   *     xs:decimal}
   * @param item what the words of a list are, or a type that a union takes
   */
  record Scalar(ShapeId id, ScalarType type, String builtIn, Facets facets, Optional<Scalar> item)
      implements Shape {

    public Scalar(ShapeId id, ScalarType type, String builtIn, Facets facets) {
      this(id, type, builtIn, facets, Optional.empty());
    }

    /** The same under another name, perhaps narrowed. */
    public Scalar as(ShapeId other, Facets narrowed) {
      return new Scalar(other, type, builtIn, narrowed, item);
    }
  }

  /**
   * Named fields, in the order of the wire.
   *
   * @param ordered whether they must stand in that order
   * @param demand which of those that are not required must be there all the same
   */
  record Record(ShapeId id, List<Field> fields, boolean ordered, Optional<Demand> demand)
      implements Shape {
    public Record {
      fields = List.copyOf(fields);
    }

    public Record(ShapeId id, List<Field> fields, boolean ordered) {
      this(id, fields, ordered, Optional.empty());
    }

    public Record(ShapeId id, List<Field> fields) {
      this(id, fields, true);
    }
  }

  /** A list as a value of its own, where the list itself has no field around it. */
  record Repeated(ShapeId id, ShapeId item) implements Shape {}

  /**
   * Exactly one of several fields.
   *
   * @param reason why there is a choice
   * @param declared the field that the description names in this place, where it may not stand
   *     there itself because it is abstract
   */
  record OneOf(ShapeId id, List<Field> alternatives, Reason reason, Optional<Field> declared)
      implements Shape {

    public OneOf(ShapeId id, List<Field> alternatives, Reason reason) {
      this(id, alternatives, reason, Optional.empty());
    }

    /** What makes a choice. */
    public enum Reason {
      /** The description offers several fields. */
      CHOICE,
      /** Elements that may stand in for the first one (XML Schema 1.0 part 1, section 2.2.2.2). */
      SUBSTITUTION,
      /** Types derived from the one that was declared. */
      DERIVATION,
      /** Types that the description lets a value have (JSON Schema, oneOf and anyOf). */
      VARIANT
    }

    public OneOf {
      alternatives = List.copyOf(alternatives);
    }
  }

  /**
   * Anything at all.
   *
   * @param object whether it has members of some kind
   */
  record Open(ShapeId id, boolean object) implements Shape {

    /** Of which nothing is known. */
    public Open(ShapeId id) {
      this(id, false);
    }
  }
}
