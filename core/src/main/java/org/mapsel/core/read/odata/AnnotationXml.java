package org.mapsel.core.read.odata;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** The value of an annotation (OData CSDL XML 4.01, section 14.3 and 14.4). */
final class AnnotationXml {

  /** How a path is told from a text with the same letters: as a record with this one field. */
  static final String PATH = "Path";

  private static final Set<String> PATHS =
      Set.of(
          "Path", "PropertyPath", "NavigationPropertyPath", "AnnotationPath", "ModelElementPath");
  private static final Set<String> CONSTANTS =
      Set.of(
          "String",
          "Bool",
          "Int",
          "Decimal",
          "Float",
          "EnumMember",
          "Date",
          "DateTimeOffset",
          "Duration",
          "TimeOfDay",
          "Guid",
          "Binary");

  private final XmlCursor cursor;

  AnnotationXml(XmlCursor cursor) {
    this.cursor = cursor;
  }

  static Value path(String path) {
    return RecordValue.of(Map.of(PATH, Value.text(path)));
  }

  /** The value that an annotation or property has as attribute or child; true if it has none. */
  Value value() throws DocumentException {
    for (int i = 0; i < cursor.attributeCount(); i++) {
      String kind = cursor.attributeLocal(i);
      if (PATHS.contains(kind)) {
        return path(cursor.attributeValue(i));
      }
      if (CONSTANTS.contains(kind)) {
        return Value.text(cursor.attributeValue(i));
      }
    }
    Value found = Value.text("true");
    boolean first = true;
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (first && !cursor.local().equals("Annotation")) {
        found = element();
        first = false;
      }
    }
    return found;
  }

  private Value element() throws DocumentException {
    String kind = cursor.local();
    if (PATHS.contains(kind)) {
      return path(cursor.text().strip());
    }
    return switch (kind) {
      case "Record" -> record();
      case "Collection" -> collection();
      case "Null" -> Value.NULL;
      default -> CONSTANTS.contains(kind) ? Value.text(cursor.text().strip()) : Value.NULL;
    };
  }

  private Value record() throws DocumentException {
    Map<String, Value> fields = new LinkedHashMap<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("PropertyValue")) {
        fields.put(cursor.attribute("Property").orElse(""), value());
      }
    }
    return RecordValue.of(fields);
  }

  private Value collection() throws DocumentException {
    List<Value> items = new ArrayList<>();
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      items.add(element());
    }
    return new ListValue(items);
  }
}
