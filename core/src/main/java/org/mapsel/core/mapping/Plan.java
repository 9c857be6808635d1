package org.mapsel.core.mapping;

import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.Value;

/**
 * The checked mappings of a page. Slots whose mapping did not pass its check are not in it, so
 * nothing in it can fail for a wrong name.
 */
public record Plan(Map<SlotId, Planned> slots) {

  public static final Plan EMPTY = new Plan(Map.of());

  public Plan {
    slots = Map.copyOf(slots);
  }

  public Optional<Planned> find(SlotId slot) {
    return Optional.ofNullable(slots.get(slot));
  }

  /** The value of a slot, {@link Value#ABSENT} if it has none. */
  public Value value(SlotId slot, Scope scope) {
    Planned planned = slots.get(slot);
    return planned == null ? Value.ABSENT : planned.value(scope);
  }
}
