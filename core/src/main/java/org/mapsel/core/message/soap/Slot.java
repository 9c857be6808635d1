package org.mapsel.core.message.soap;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Name;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;

/**
 * Where an element or attribute goes.
 *
 * @param groups the fields without an element of their own that lead to it, outermost first
 * @param index its place in the innermost record
 * @param kind the derived type that it belongs to; none if every value of the type may have it
 * @param plan how to read what is inside; none for a simple value
 * @param keep whether anybody wants it; if not, it is known but passed over
 */
record Slot(
    Field field,
    Name name,
    List<GroupStep> groups,
    int index,
    Shape shape,
    @Nullable Name kind,
    @Nullable ReadPlan plan,
    boolean keep) {

  /** A step into a field that has no element of its own. */
  record GroupStep(int index, boolean repeated, ReadPlan plan) {}
}
