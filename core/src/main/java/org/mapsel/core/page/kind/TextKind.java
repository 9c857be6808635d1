package org.mapsel.core.page.kind;

import org.mapsel.core.page.Part;

/** Words on the page. */
final class TextKind implements PartKind<Part.Text> {

  @Override
  public String name() {
    return "text";
  }

  @Override
  public boolean isEmpty(Part.Text part) {
    return false;
  }
}
