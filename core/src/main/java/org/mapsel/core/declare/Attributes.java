package org.mapsel.core.declare;

import java.util.List;
import org.mapsel.core.ref.Name;

/**
 * The attributes of a complex type or an attribute group.
 *
 * @param groups names of attribute groups to take in
 * @param any whether undeclared attributes are let in
 */
public record Attributes(List<AttributeDeclaration> own, List<Name> groups, boolean any) {

  public static final Attributes NONE = new Attributes(List.of(), List.of(), false);
}
