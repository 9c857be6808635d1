package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Rows with columns. */
final class TableKind implements PartKind<Part.Table> {

  @Override
  public String name() {
    return "table";
  }

  @Override
  public boolean isEmpty(Part.Table part) {
    return part.items().isEmpty() && part.rows().isEmpty();
  }
}
