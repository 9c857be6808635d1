package org.mapsel.core.shape;

import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.ShapeId;

/** What values a place holds, wherever it may be. */
public sealed interface ValueType {

  /** Whether there may be several of them. */
  boolean several();

  /** The same, with several of them or just one. */
  ValueType times(boolean several);

  /** Simple values. */
  record Simple(ScalarType type, boolean several) implements ValueType {
    @Override
    public Simple times(boolean other) {
      return new Simple(type, other);
    }
  }

  /** Values of a shape that is no simple one. */
  record Shaped(Shapes shapes, ShapeId shape, boolean several) implements ValueType {
    @Override
    public Shaped times(boolean other) {
      return new Shaped(shapes, shape, other);
    }
  }

  /**
   * What a pattern cuts out of a text: a record of texts.
   *
   * @param names of the pattern's groups
   */
  record Matches(Set<String> names, boolean several) implements ValueType {
    public Matches {
      names = Set.copyOf(names);
    }

    @Override
    public Matches times(boolean other) {
      return new Matches(names, other);
    }
  }

  /** Nobody can say. */
  record Unknown(boolean several) implements ValueType {
    @Override
    public Unknown times(boolean other) {
      return new Unknown(other);
    }
  }

  /** What a shape holds. */
  static ValueType of(Shapes shapes, ShapeId id, boolean several) {
    return switch (shapes.get(id)) {
      case Shape.Scalar scalar -> new Simple(scalar.type(), several);
      case Shape.Open open -> new Unknown(several);
      case Shape.Record record -> new Shaped(shapes, id, several);
      case Shape.OneOf oneOf -> new Shaped(shapes, id, several);
      case Shape.Repeated repeated -> of(shapes, repeated.item(), true);
    };
  }

  /** The type of simple values; nothing for any others. */
  default Optional<ScalarType> scalar() {
    return this instanceof Simple simple ? Optional.of(simple.type()) : Optional.empty();
  }
}
