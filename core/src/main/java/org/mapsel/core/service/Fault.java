package org.mapsel.core.service;

import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;

/**
 * A failure that an operation announces.
 *
 * @param element the element around the detail, where there is one
 * @param shape the shape of the detail, which may be made only when it is asked for
 */
public record Fault(String name, Optional<Name> element, Memo<ShapeId> shape) {

  /** A failure with a detail whose shape is there already. */
  public Fault(String name, Optional<Name> element, ShapeId detail) {
    this(name, element, Memo.of(detail));
  }

  /** The shape of its detail. */
  public ShapeId detail() {
    return shape.get();
  }
}
