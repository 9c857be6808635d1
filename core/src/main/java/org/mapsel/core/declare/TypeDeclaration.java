package org.mapsel.core.declare;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Facets;

/** A type as it was written. Types written in place have no name. */
public sealed interface TypeDeclaration {

  Optional<Name> name();

  Place place();

  /** The same under another name. */
  TypeDeclaration named(Name other);

  /** How a simple type is made from others. */
  enum Variety {
    ATOMIC,
    LIST,
    UNION
  }

  /**
   * A simple type (XML Schema 1.0 part 1, section 3.14).
   *
   * @param bases the base of an atomic type, the item type of a list, the members of a union
   */
  record Simple(
      Optional<Name> name, Place place, Variety variety, List<TypeRef> bases, Facets facets)
      implements TypeDeclaration {

    @Override
    public Simple named(Name other) {
      return new Simple(Optional.of(other), place, variety, bases, facets);
    }
  }

  /**
   * A complex type (XML Schema 1.0 part 1, section 3.4).
   *
   * @param facets those of a restricted simple content
   */
  record Complex(
      Optional<Name> name,
      Place place,
      Optional<Derivation> derivation,
      Optional<Particle> content,
      Attributes attributes,
      boolean mixed,
      boolean isAbstract,
      Facets facets)
      implements TypeDeclaration {

    @Override
    public Complex named(Name other) {
      return new Complex(
          Optional.of(other), place, derivation, content, attributes, mixed, isAbstract, facets);
    }
  }

  /** What a complex type is derived from, and how. */
  record Derivation(TypeRef base, Method method, boolean simpleContent) {

    /** Adds to the base, or writes it anew with less. */
    public enum Method {
      EXTENSION,
      RESTRICTION
    }
  }
}
