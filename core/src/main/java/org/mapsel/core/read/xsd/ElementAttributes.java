package org.mapsel.core.read.xsd;

import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;

/**
 * The attributes of an element declaration, taken in one pass: large schemas consist of little
 * else. They hold until those of the next element are taken.
 */
final class ElementAttributes {

  @Nullable String name;
  @Nullable String ref;
  @Nullable String type;
  @Nullable String form;
  @Nullable String minOccurs;
  @Nullable String maxOccurs;
  @Nullable String nillable;
  @Nullable String isAbstract;
  @Nullable String substitutes;
  @Nullable String preset;
  @Nullable String fixed;

  ElementAttributes of(XmlCursor cursor) throws DocumentException {
    name = null;
    ref = null;
    type = null;
    form = null;
    minOccurs = null;
    maxOccurs = null;
    nillable = null;
    isAbstract = null;
    substitutes = null;
    preset = null;
    fixed = null;
    int count = cursor.attributeCount();
    for (int i = 0; i < count; i++) {
      switch (cursor.attributeLocal(i)) {
        case "name" -> name = cursor.attributeToken(i);
        case "ref" -> ref = cursor.attributeToken(i);
        case "type" -> type = cursor.attributeToken(i);
        case "form" -> form = cursor.attributeToken(i);
        case "minOccurs" -> minOccurs = cursor.attributeToken(i);
        case "maxOccurs" -> maxOccurs = cursor.attributeToken(i);
        case "nillable" -> nillable = cursor.attributeToken(i);
        case "abstract" -> isAbstract = cursor.attributeToken(i);
        case "substitutionGroup" -> substitutes = cursor.attributeToken(i);
        case "default" -> preset = cursor.attributeValue(i);
        case "fixed" -> fixed = cursor.attributeValue(i);
        default -> {}
      }
    }
    return this;
  }

  static boolean isTrue(@Nullable String text) {
    return text != null && (text.strip().equals("true") || text.strip().equals("1"));
  }
}
