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
 * @param hints what else it says for whoever shows or fills it
 */
public record Field(
    String name,
    ShapeId shape,
    Occurrence occurrence,
    boolean nillable,
    Optional<String> preset,
    Optional<String> fixed,
    String documentation,
    Wire wire,
    Hints hints) {

  public static Field of(String name, ShapeId shape, Occurrence occurrence, Wire wire) {
    return new Field(
        name, shape, occurrence, false, Optional.empty(), Optional.empty(), "", wire, Hints.NONE);
  }

  public Field named(String other) {
    return new Field(other, shape, occurrence, nillable, preset, fixed, documentation, wire, hints);
  }

  /** The same, holding another shape. */
  public Field of(ShapeId other) {
    return new Field(name, other, occurrence, nillable, preset, fixed, documentation, wire, hints);
  }

  public Field occurring(Occurrence other) {
    return new Field(name, shape, other, nillable, preset, fixed, documentation, wire, hints);
  }

  public Field on(Wire other) {
    return new Field(name, shape, occurrence, nillable, preset, fixed, documentation, other, hints);
  }

  public Field documented(String other) {
    return new Field(name, shape, occurrence, nillable, preset, fixed, other, wire, hints);
  }

  public Field hinted(Hints other) {
    return new Field(name, shape, occurrence, nillable, preset, fixed, documentation, wire, other);
  }

  /** What is sent where it must stand and nothing is given. */
  public Optional<String> assumed() {
    return fixed.or(() -> preset);
  }

  public boolean isRequired() {
    return occurrence.isRequired();
  }

  public boolean isRepeated() {
    return occurrence.isRepeated();
  }
}
