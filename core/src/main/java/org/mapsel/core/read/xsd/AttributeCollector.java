package org.mapsel.core.read.xsd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.AttributeDeclaration;
import org.mapsel.core.declare.Attributes;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.ref.Name;

/** Gathers the attributes of a type or attribute group. */
final class AttributeCollector {

  final List<AttributeDeclaration> own = new ArrayList<>();
  final List<Name> groups = new ArrayList<>();
  boolean any;
  Optional<TypeRef> arrayOf = Optional.empty();

  Attributes collected() {
    return own.isEmpty() && groups.isEmpty() && !any && arrayOf.isEmpty()
        ? Attributes.NONE
        : new Attributes(own, groups, any, arrayOf);
  }
}
