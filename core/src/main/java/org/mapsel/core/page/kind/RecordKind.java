package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** The fields of one thing. */
final class RecordKind implements PartKind<Part.Record> {

  @Override
  public String name() {
    return "record";
  }

  @Override
  public boolean isEmpty(Part.Record part) {
    return part.items().isEmpty();
  }
}
