package org.mapsel.core.page;

import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.ref.SlotId;

/** A place that takes a value, and what fills it. */
public record Slot(SlotId id, Mapping mapping) {}
