package org.mapsel.core.page;

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

  /** The name of its slot. */
  String slot();

  /** What fills its slot. */
  Optional<Mapping> mapping();

  Item with(Optional<Mapping> other);
}
