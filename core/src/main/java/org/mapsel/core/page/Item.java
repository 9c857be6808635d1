package org.mapsel.core.page;

import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.ref.PartId;

/** A thing in a part that stands for one field: an input, a column, a field of a record. */
public sealed interface Item permits Input, Shown {

  PartId id();

  /** What this page alone says of the field. */
  Overrides only();

  Item with(Overrides other);

  /** The name of its main slot. */
  String slot();

  /** What fills its main slot. */
  Optional<Mapping> mapping();

  /** Its slots that are filled, by name. */
  Map<String, Mapping> slots();

  /** The same with a slot filled, or emptied; a name that it does not have changes nothing. */
  Item withSlot(String name, Optional<Mapping> other);
}
