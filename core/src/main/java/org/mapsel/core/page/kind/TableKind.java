package org.mapsel.core.page.kind;

import org.mapsel.core.mapping.Expected;
import org.mapsel.core.page.Part;

/** Rows with columns. */
final class TableKind implements PartKind<Part.Table> {

  @Override
  public String name() {
    return "table";
  }

  @Override
  public Expected expects(String slot) {
    return slot.equals(Part.Table.ROWS) ? Expected.ANYTHING : PartKind.super.expects(slot);
  }

  @Override
  public boolean isEmpty(Part.Table part) {
    return part.items().isEmpty() && part.rows().isEmpty();
  }
}
