package org.mapsel.core.declare;

import java.util.List;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/** A service with its ports (WSDL 1.1, section 2.6 and 2.7). */
public record ServiceDeclaration(Name name, String documentation, List<PortDeclaration> ports) {

  /** One address for one binding. */
  public record PortDeclaration(String name, Name binding, String address, Place place) {}
}
