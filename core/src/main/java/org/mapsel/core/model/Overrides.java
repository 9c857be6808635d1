package org.mapsel.core.model;

import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.ref.ListId;

/**
 * What people decided of a field, in the model for all pages or on one page alone. What is empty is
 * as the model, and then the description, have it.
 *
 * @param label what people call it
 * @param help what helps to fill or read it
 * @param format how its value is shown
 * @param unit what its number counts
 * @param order where it stands among its neighbours, small numbers first
 * @param key whether it tells records apart
 * @param title whether it names its record
 * @param hidden whether people need not see it
 * @param list the words for its codes
 * @param empty what is shown where there is no value
 * @param required whether a form insists on it
 * @param personal whether it tells of a person, so that its values are not kept where messages are
 *     recorded
 */
public record Overrides(
    Optional<String> label,
    Optional<String> help,
    Optional<Format> format,
    Optional<String> unit,
    Optional<Integer> order,
    Optional<Boolean> key,
    Optional<Boolean> title,
    Optional<Boolean> hidden,
    Optional<ListId> list,
    Optional<String> empty,
    Optional<Boolean> required,
    Optional<Boolean> personal) {

  public static final Overrides NONE =
      new Overrides(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  /** Only the label. */
  public static Overrides labelled(String label) {
    return NONE.withLabel(Optional.of(label));
  }

  public Overrides withLabel(Optional<String> other) {
    return new Overrides(
        other, help, format, unit, order, key, title, hidden, list, empty, required, personal);
  }

  public Overrides withFormat(Optional<Format> other) {
    return new Overrides(
        label, help, other, unit, order, key, title, hidden, list, empty, required, personal);
  }

  public Overrides withUnit(Optional<String> other) {
    return new Overrides(
        label, help, format, other, order, key, title, hidden, list, empty, required, personal);
  }

  public Overrides withList(Optional<ListId> other) {
    return new Overrides(
        label, help, format, unit, order, key, title, hidden, other, empty, required, personal);
  }

  public boolean saysNothing() {
    return equals(NONE);
  }

  /** These where they say something, the others elsewhere. */
  public Overrides over(Overrides base) {
    return new Overrides(
        either(base, Overrides::label),
        either(base, Overrides::help),
        either(base, Overrides::format),
        either(base, Overrides::unit),
        either(base, Overrides::order),
        either(base, Overrides::key),
        either(base, Overrides::title),
        either(base, Overrides::hidden),
        either(base, Overrides::list),
        either(base, Overrides::empty),
        either(base, Overrides::required),
        either(base, Overrides::personal));
  }

  private <T> Optional<T> either(Overrides base, Function<Overrides, Optional<T>> aspect) {
    return aspect.apply(this).or(() -> aspect.apply(base));
  }
}
