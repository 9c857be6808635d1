package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Something to press. */
final class ButtonKind implements PartKind<Part.Button> {

  @Override
  public String name() {
    return "button";
  }

  @Override
  public boolean isEmpty(Part.Button part) {
    return false;
  }
}
