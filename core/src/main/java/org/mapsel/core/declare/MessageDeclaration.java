package org.mapsel.core.declare;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/** What goes in or comes back, in parts (WSDL 1.1, section 2.3). */
public record MessageDeclaration(Name name, List<PartDeclaration> parts) {

  /** A part is given by an element or by a type. */
  public record PartDeclaration(
      String name, Optional<Name> element, Optional<Name> type, Place place) {}
}
