package org.mapsel.core.page.kind;

import org.mapsel.core.mapping.Expected;
import org.mapsel.core.page.Part;
import org.mapsel.core.shape.ScalarType;

/** What one kind of part can do. */
interface PartKind<P extends Part> {

  /** As people call it. */
  String name();

  /** What one of its own slots takes; some are the same for every kind. */
  default Expected expects(String slot) {
    return switch (slot) {
      case Part.SHOWN_IF -> Expected.one(ScalarType.BOOLEAN);
      case Part.OverRows.ROWS -> Expected.ANYTHING;
      default -> Expected.one(ScalarType.TEXT);
    };
  }

  /** Whether there is nothing left on it that would be worth showing. */
  boolean isEmpty(P part);
}
