package org.mapsel.core.read.xsd;

import org.jspecify.annotations.Nullable;
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

  static ElementAttributes of(XmlCursor cursor) {
    ElementAttributes all = new ElementAttributes();
    int count = cursor.attributeCount();
    for (int i = 0; i < count; i++) {
      String value = cursor.attributeValue(i);
      switch (cursor.attributeLocal(i)) {
        case "name" -> all.name = value;
        case "ref" -> all.ref = value;
        case "type" -> all.type = value;
        case "form" -> all.form = value;
        case "minOccurs" -> all.minOccurs = value;
        case "maxOccurs" -> all.maxOccurs = value;
        case "nillable" -> all.nillable = value;
        case "abstract" -> all.isAbstract = value;
        case "substitutionGroup" -> all.substitutes = value;
        case "default" -> all.preset = value;
        case "fixed" -> all.fixed = value;
        default -> {}
      }
    }
    return all;
  }

  static boolean isTrue(@Nullable String text) {
    return text != null && (text.strip().equals("true") || text.strip().equals("1"));
  }
}
