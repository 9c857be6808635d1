package org.mapsel.core.declare;

import java.util.List;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Occurrence;

/** What may stand inside an element (XML Schema 1.0 part 1, section 3.9). */
public sealed interface Particle {

  Occurrence occurrence();

  /** An element declared here. */
  record Element(ElementDeclaration element, Occurrence occurrence) implements Particle {}

  /** A global element used here. */
  record ElementRef(Name name, Occurrence occurrence, Place place) implements Particle {}

  /** Several particles together. */
  record Group(Order order, List<Particle> particles, Occurrence occurrence) implements Particle {}

  /** A named group used here. */
  record GroupRef(Name name, Occurrence occurrence, Place place) implements Particle {}

  /**
   * Any element (section 3.10).
   *
   * @param namespaces the namespaces it may come from, as written: {@code ##any}, {@code ##other}
   *     or a list
   * @param target the namespace of the schema it stands in
   * @param strict whether it must be one that is declared
   */
  record Any(Occurrence occurrence, String namespaces, String target, boolean strict)
      implements Particle {}

  /** How the particles of a group stand to each other. */
  enum Order {
    SEQUENCE,
    CHOICE,
    ALL
  }
}
