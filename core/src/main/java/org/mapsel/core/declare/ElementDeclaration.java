package org.mapsel.core.declare;

import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/**
 * An element, global or local. The name has the namespace it stands under in a message, empty for
 * an unqualified one.
 *
 * @param substitutes the head of the substitution group it belongs to
 */
public record ElementDeclaration(
    Name name,
    TypeRef type,
    boolean nillable,
    boolean isAbstract,
    Optional<Name> substitutes,
    Optional<String> preset,
    Optional<String> fixed,
    String documentation,
    Place place) {

  /** The same with another type. */
  ElementDeclaration typed(TypeRef other) {
    return new ElementDeclaration(
        name, other, nillable, isAbstract, substitutes, preset, fixed, documentation, place);
  }
}
