package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Lines to fill in. */
final class LinesKind implements PartKind<Part.Lines> {

  @Override
  public String name() {
    return "lines";
  }

  @Override
  public boolean isEmpty(Part.Lines part) {
    return part.items().isEmpty();
  }
}
