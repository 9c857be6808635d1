package org.mapsel.core.page;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;

/**
 * A field of a form. What it is called, whether it must be filled and how, is told by the parameter
 * that it fills.
 *
 * @param start what stands in it as long as nobody has typed anything
 * @param kind how values are put in; as the type has it if nothing is said
 * @param options the rows to choose from, if they are some that a service returned
 */
public record Input(
    PartId id,
    Overrides only,
    Optional<Mapping> start,
    Optional<Kind> kind,
    Optional<Options> options)
    implements Item {

  public static final String START = "start";

  /** The slot for the rows to choose from. */
  public static final String OPTIONS = "options";

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
    /** What may be put in stands in a menu. */
    CHOICE,
    /** What may be put in is all seen at once, each on a button. */
    BUTTONS,
    /** What may be put in is found by typing some of it. */
    SEARCH;

    /** Whether only what is offered may be put in. */
    public boolean isChosen() {
      return this == CHOICE || this == BUTTONS || this == SEARCH;
    }
  }

  /**
   * Rows to choose from.
   *
   * @param value the field of a row that is put in
   * @param words the field of a row that people read
   */
  public record Options(Mapping rows, FieldPath value, FieldPath words) {}

  public static Input of(PartId id) {
    return new Input(id, Overrides.NONE, Optional.empty(), Optional.empty(), Optional.empty());
  }

  @Override
  public Input with(Overrides other) {
    return new Input(id, other, start, kind, options);
  }

  public Input withKind(Optional<Kind> other) {
    return new Input(id, only, start, other, options);
  }

  public Input withOptions(Optional<Options> other) {
    return new Input(id, only, start, kind, other);
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
  public Map<String, Mapping> slots() {
    Map<String, Mapping> slots = new LinkedHashMap<>();
    start.ifPresent(mapping -> slots.put(START, mapping));
    options.ifPresent(offered -> slots.put(OPTIONS, offered.rows()));
    return slots;
  }

  @Override
  public Input withSlot(String name, Optional<Mapping> other) {
    return switch (name) {
      case START -> new Input(id, only, other, kind, options);
      case OPTIONS ->
          withOptions(
              options.flatMap(
                  known -> other.map(rows -> new Options(rows, known.value(), known.words()))));
      default -> this;
    };
  }
}
