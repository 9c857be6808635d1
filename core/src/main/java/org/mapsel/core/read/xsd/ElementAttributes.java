package org.mapsel.core.read.xsd;

import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;

/**
 * The attributes of an element declaration, taken in one pass: large schemas consist of little
 * else.
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

  private ElementAttributes() {}

  static ElementAttributes of(XmlCursor cursor) throws DocumentException {
    ElementAttributes all = new ElementAttributes();
    int count = cursor.attributeCount();
    for (int i = 0; i < count; i++) {
      switch (cursor.attributeLocal(i)) {
        case "name" -> all.name = cursor.attributeToken(i);
        case "ref" -> all.ref = cursor.attributeToken(i);
        case "type" -> all.type = cursor.attributeToken(i);
        case "form" -> all.form = cursor.attributeToken(i);
        case "minOccurs" -> all.minOccurs = cursor.attributeToken(i);
        case "maxOccurs" -> all.maxOccurs = cursor.attributeToken(i);
        case "nillable" -> all.nillable = cursor.attributeToken(i);
        case "abstract" -> all.isAbstract = cursor.attributeToken(i);
        case "substitutionGroup" -> all.substitutes = cursor.attributeToken(i);
        case "default" -> all.preset = cursor.attributeValue(i);
        case "fixed" -> all.fixed = cursor.attributeValue(i);
        default -> {}
      }
    }
    return all;
  }

  static boolean isTrue(@Nullable String text) {
    return text != null && (text.strip().equals("true") || text.strip().equals("1"));
  }
}
