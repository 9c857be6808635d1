package org.mapsel.core.shape;

import java.util.Optional;

/**
 * What a description says of a field beyond its type, for whoever shows or fills it.
 *
 * @param label what people call it
 * @param unit what its number counts, for instance {@code t}
 * @param example a value that somebody thought typical
 * @param key whether it tells items of a list apart
 * @param direction which way it travels
 * @param hidden whether people need not see it
 * @param title whether it names the record that it stands in
 * @param deprecated whether it will go away
 * @param given whether it is sent as a sample has it unless somebody fills it
 */
public record Hints(
    Optional<String> label,
    Optional<String> unit,
    Optional<String> example,
    boolean key,
    Direction direction,
    boolean hidden,
    boolean title,
    boolean deprecated,
    boolean given) {

  public static final Hints NONE =
      new Hints(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          false,
          Direction.BOTH,
          false,
          false,
          false,
          false);

  /** Which way a field travels. */
  public enum Direction {
    BOTH,
    /** It comes back and is never sent. */
    RETURNED_ONLY,
    /** It is sent and never comes back. */
    SENT_ONLY;

    /** Whether a field that travels this way is there where only what travels another is. */
    public boolean isAmong(Direction other) {
      return this == BOTH || other == BOTH || this == other;
    }
  }

  public Hints labelled(String other) {
    return new Hints(
        Optional.of(other), unit, example, key, direction, hidden, title, deprecated, given);
  }

  public Hints withUnit(String other) {
    return new Hints(
        label, Optional.of(other), example, key, direction, hidden, title, deprecated, given);
  }

  public Hints withExample(String other) {
    return new Hints(
        label, unit, Optional.of(other), key, direction, hidden, title, deprecated, given);
  }

  public Hints asKey() {
    return new Hints(label, unit, example, true, direction, hidden, title, deprecated, given);
  }

  public Hints travelling(Direction other) {
    return new Hints(label, unit, example, key, other, hidden, title, deprecated, given);
  }

  public Hints asHidden() {
    return new Hints(label, unit, example, key, direction, true, title, deprecated, given);
  }

  public Hints asTitle() {
    return new Hints(label, unit, example, key, direction, hidden, true, deprecated, given);
  }

  public Hints asDeprecated() {
    return new Hints(label, unit, example, key, direction, hidden, title, true, given);
  }

  /** Of a value in a sample that is no parameter. */
  public Hints asGiven() {
    return new Hints(label, unit, example, key, direction, hidden, title, deprecated, true);
  }

  /** These hints where they say something, those of what is pointed to elsewhere. */
  public Hints over(Hints base) {
    if (base == NONE) {
      return this;
    }
    return new Hints(
        label.or(base::label),
        unit.or(base::unit),
        example.or(base::example),
        key || base.key,
        direction == Direction.BOTH ? base.direction : direction,
        hidden || base.hidden,
        title || base.title,
        deprecated || base.deprecated,
        given || base.given);
  }
}
