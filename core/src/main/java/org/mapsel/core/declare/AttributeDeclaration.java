package org.mapsel.core.declare;

import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/**
 * An attribute, global or used in a type.
 *
 * @param reference whether {@code name} points at a global attribute that says the rest
 */
public record AttributeDeclaration(
    Name name,
    boolean reference,
    TypeRef type,
    Use use,
    Optional<String> preset,
    Optional<String> fixed,
    String documentation,
    Place place) {

  /** Whether it may, must or must not stand. */
  public enum Use {
    OPTIONAL,
    REQUIRED,
    PROHIBITED
  }
}
