package org.mapsel.core.declare;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.Name;

/**
 * The attributes of a complex type or an attribute group.
 *
 * @param groups names of attribute groups to take in
 * @param any whether undeclared attributes are let in
 * @param arrayOf the item type that a restriction of the SOAP encoding's array type gives (WSDL
 *     1.1, section 2.2)
 */
public record Attributes(
    List<AttributeDeclaration> own, List<Name> groups, boolean any, Optional<TypeRef> arrayOf) {

  public static final Attributes NONE =
      new Attributes(List.of(), List.of(), false, Optional.empty());
}
