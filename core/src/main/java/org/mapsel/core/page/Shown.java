package org.mapsel.core.page;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.ref.PartId;

/**
 * A column of a table or a field of a record.
 *
 * @param total what is said of all rows under the column
 * @param inside the fields that rows inside a row show, by name and in their order; none where the
 *     model says it
 */
public record Shown(
    PartId id, Overrides only, Optional<Mapping> value, Optional<Total> total, List<String> inside)
    implements Item {

  public Shown {
    inside = List.copyOf(inside);
  }

  public static final String VALUE = "value";

  /** What can be said of the values of a column. */
  public enum Total {
    SUM,
    MEAN,
    LEAST,
    MOST,
    /** How many rows have a value. */
    COUNT
  }

  public static Shown of(PartId id, Source source) {
    return new Shown(
        id, Overrides.NONE, Optional.of(new Mapping(source)), Optional.empty(), List.of());
  }

  @Override
  public Shown with(Overrides other) {
    return new Shown(id, other, value, total, inside);
  }

  public Shown withTotal(Optional<Total> other) {
    return new Shown(id, only, value, other, inside);
  }

  /** The same, with other fields in the rows inside its rows. */
  public Shown withInside(List<String> fields) {
    return new Shown(id, only, value, total, fields);
  }

  @Override
  public String slot() {
    return VALUE;
  }

  @Override
  public Optional<Mapping> mapping() {
    return value;
  }

  @Override
  public Map<String, Mapping> slots() {
    return value.map(filled -> Map.of(VALUE, filled)).orElse(Map.of());
  }

  @Override
  public Shown withSlot(String name, Optional<Mapping> other) {
    return name.equals(VALUE) ? new Shown(id, only, other, total, inside) : this;
  }
}
