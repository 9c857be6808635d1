package org.mapsel.core.page;

import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.ref.PartId;

/**
 * A field of a form. What it is called, whether it must be filled and how, is told by the parameter
 * that it fills.
 *
 * @param start what stands in it as long as nobody has typed anything
 * @param kind how values are put in; as the type has it if nothing is said
 */
public record Input(PartId id, Overrides only, Optional<Mapping> start, Optional<Kind> kind)
    implements Item {

  public static final String START = "start";

  /** How a value is put in. */
  public enum Kind {
    TEXT,
    LONG_TEXT,
    NUMBER,
    DATE,
    TIME,
    DATE_TIME,
    CHECKBOX,
    FILE,
    CHOICE
  }

  public static Input of(PartId id) {
    return new Input(id, Overrides.NONE, Optional.empty(), Optional.empty());
  }

  @Override
  public Input with(Overrides other) {
    return new Input(id, other, start, kind);
  }

  public Input withKind(Optional<Kind> other) {
    return new Input(id, only, start, other);
  }

  @Override
  public String slot() {
    return START;
  }

  @Override
  public Optional<Mapping> mapping() {
    return start;
  }

  @Override
  public Input with(Optional<Mapping> other) {
    return new Input(id, only, other, kind);
  }
}
