package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Inputs to fill. */
final class FormKind implements PartKind<Part.Form> {

  @Override
  public String name() {
    return "form";
  }

  @Override
  public boolean isEmpty(Part.Form part) {
    return part.items().isEmpty();
  }
}
