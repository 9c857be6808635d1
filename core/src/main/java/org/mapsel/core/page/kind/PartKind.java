package org.mapsel.core.page.kind;

import org.mapsel.core.mapping.Expected;
import org.mapsel.core.page.Part;
import org.mapsel.core.shape.ScalarType;

/** What one kind of part can do. */
public interface PartKind<P extends Part> {

  /** As people call it. */
  String name();

  /** What one of its own slots takes; the words over it are one simple text for every kind. */
  default Expected expects(String slot) {
    return Expected.one(ScalarType.TEXT);
  }

  /** Whether there is nothing left on it that would be worth showing. */
  boolean isEmpty(P part);
}
