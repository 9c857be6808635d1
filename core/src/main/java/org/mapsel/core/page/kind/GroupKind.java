package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Holds other parts. */
final class GroupKind implements PartKind<Part.Group> {

  @Override
  public String name() {
    return "group";
  }

  @Override
  public boolean isEmpty(Part.Group part) {
    return false;
  }
}
