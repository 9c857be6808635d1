package org.mapsel.core.shape;

import java.util.Optional;
import org.mapsel.core.ref.ShapeId;

/**
 * One named field of a record, or one alternative of a one-of.
 *
 * @param name unique in its record
 * @param preset the value it has when nothing is given
 * @param fixed the only value it may have
 * @param documentation what the description says about it, empty where nothing
 */
public record Field(
    String name,
    ShapeId shape,
    Occurrence occurrence,
    boolean nillable,
    Optional<String> preset,
    Optional<String> fixed,
    String documentation,
    Wire wire) {

  public static Field of(String name, ShapeId shape, Occurrence occurrence, Wire wire) {
    return new Field(name, shape, occurrence, false, Optional.empty(), Optional.empty(), "", wire);
  }

  public Field named(String other) {
    return new Field(other, shape, occurrence, nillable, preset, fixed, documentation, wire);
  }

  public Field occurring(Occurrence other) {
    return new Field(name, shape, other, nillable, preset, fixed, documentation, wire);
  }

  public Field on(Wire other) {
    return new Field(name, shape, occurrence, nillable, preset, fixed, documentation, other);
  }

  public boolean isRequired() {
    return occurrence.isRequired();
  }

  public boolean isRepeated() {
    return occurrence.isRepeated();
  }
}
