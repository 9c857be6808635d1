package org.mapsel.core.page;

import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.ref.PartId;

/** A column of a table or a field of a record. */
public record Shown(PartId id, Overrides only, Optional<Mapping> value) implements Item {

  public static final String VALUE = "value";

  public static Shown of(PartId id, Source source) {
    return new Shown(id, Overrides.NONE, Optional.of(new Mapping(source)));
  }

  @Override
  public Shown with(Overrides other) {
    return new Shown(id, other, value);
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
    return name.equals(VALUE) ? new Shown(id, only, other) : this;
  }
}
