package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Numbers of rows as a drawing. */
final class ChartKind implements PartKind<Part.Chart> {

  @Override
  public String name() {
    return "chart";
  }

  @Override
  public boolean isEmpty(Part.Chart part) {
    return part.items().isEmpty() && part.rows().isEmpty();
  }
}
