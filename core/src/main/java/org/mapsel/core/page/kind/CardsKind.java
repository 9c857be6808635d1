package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Rows that stand by themselves. */
final class CardsKind implements PartKind<Part.Cards> {

  @Override
  public String name() {
    return "list";
  }

  @Override
  public boolean isEmpty(Part.Cards part) {
    return part.items().isEmpty() && part.rows().isEmpty();
  }
}
