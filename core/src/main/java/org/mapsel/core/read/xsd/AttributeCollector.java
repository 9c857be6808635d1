package org.mapsel.core.read.xsd;

import java.util.ArrayList;
import java.util.List;
import org.mapsel.core.declare.AttributeDeclaration;
import org.mapsel.core.declare.Attributes;
import org.mapsel.core.ref.Name;

/** Gathers the attributes of a type or attribute group. */
final class AttributeCollector {

  final List<AttributeDeclaration> own = new ArrayList<>();
  final List<Name> groups = new ArrayList<>();
  boolean any;

  Attributes collected() {
    return own.isEmpty() && groups.isEmpty() && !any
        ? Attributes.NONE
        : new Attributes(own, groups, any);
  }
}
