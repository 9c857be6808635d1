package org.mapsel.core.link;

import static org.mapsel.core.shape.ScalarType.BASE64;
import static org.mapsel.core.shape.ScalarType.BOOLEAN;
import static org.mapsel.core.shape.ScalarType.DATE;
import static org.mapsel.core.shape.ScalarType.DATE_TIME;
import static org.mapsel.core.shape.ScalarType.DECIMAL;
import static org.mapsel.core.shape.ScalarType.DURATION;
import static org.mapsel.core.shape.ScalarType.FLOAT;
import static org.mapsel.core.shape.ScalarType.HEX;
import static org.mapsel.core.shape.ScalarType.INTEGER;
import static org.mapsel.core.shape.ScalarType.LIST;
import static org.mapsel.core.shape.ScalarType.NAME;
import static org.mapsel.core.shape.ScalarType.PARTIAL_DATE;
import static org.mapsel.core.shape.ScalarType.TEXT;
import static org.mapsel.core.shape.ScalarType.TIME;
import static org.mapsel.core.shape.ScalarType.URI;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;

/** The built-in types of XML Schema 1.0 part 2, section 3, as shapes. */
final class BuiltInTypes {

  static final String XSD = "http://www.w3.org/2001/XMLSchema";
  static final ShapeId OPEN = new ShapeId(XSD, "anyType");

  /** Have the simple types again, for elements of the SOAP encoding (SOAP 1.1, section 5.2). */
  private static final Set<String> ENCODINGS =
      Set.of(
          "http://schemas.xmlsoap.org/soap/encoding/", "http://www.w3.org/2003/05/soap-encoding");

  private static final Map<String, Shape.Scalar> SCALARS = new HashMap<>();

  static {
    add(TEXT, "string", "normalizedString", "token", "language", "Name", "NCName", "NMTOKEN");
    add(TEXT, "ID", "IDREF", "ENTITY", "anySimpleType", "anyAtomicType");
    list("NMTOKENS", "NMTOKEN");
    list("IDREFS", "IDREF");
    list("ENTITIES", "ENTITY");
    add(BOOLEAN, "boolean");
    add(INTEGER, "integer", "nonPositiveInteger", "negativeInteger");
    add(INTEGER, "nonNegativeInteger", "positiveInteger", "unsignedLong");
    add(DECIMAL, "decimal");
    add(FLOAT, "float", "double");
    add(DATE, "date");
    add(TIME, "time");
    add(DATE_TIME, "dateTime", "dateTimeStamp");
    add(DURATION, "duration", "dayTimeDuration", "yearMonthDuration");
    add(PARTIAL_DATE, "gYear", "gYearMonth", "gMonth", "gMonthDay", "gDay");
    add(BASE64, "base64Binary");
    add(HEX, "hexBinary");
    add(URI, "anyURI");
    add(NAME, "QName", "NOTATION");
    bounded("long", String.valueOf(Long.MIN_VALUE), String.valueOf(Long.MAX_VALUE));
    bounded("int", String.valueOf(Integer.MIN_VALUE), String.valueOf(Integer.MAX_VALUE));
    bounded("short", "-32768", "32767");
    bounded("byte", "-128", "127");
    bounded("unsignedInt", "0", "4294967295");
    bounded("unsignedShort", "0", "65535");
    bounded("unsignedByte", "0", "255");
    bounded("nonNegativeInteger", "0", null);
    bounded("unsignedLong", "0", "18446744073709551615");
    bounded("positiveInteger", "1", null);
    bounded("nonPositiveInteger", null, "0");
    bounded("negativeInteger", null, "-1");
  }

  /** What the types of the drafts of 1999 and 2000 are called today. */
  private static final Map<String, String> RENAMED =
      Map.of(
          "timeInstant", "dateTime",
          "timeDuration", "duration",
          "uriReference", "anyURI",
          "binary", "base64Binary",
          "recurringDate", "gMonthDay",
          "recurringDay", "gDay",
          "CDATA", "normalizedString",
          "ur-type", "anyType");

  private static final Set<String> DRAFTS =
      Set.of("http://www.w3.org/2000/10/XMLSchema", "http://www.w3.org/1999/XMLSchema");

  private BuiltInTypes() {}

  private static void add(ScalarType type, String... names) {
    for (String name : List.of(names)) {
      put(name, type, Facets.NONE);
    }
  }

  private static void list(String name, String item) {
    SCALARS.put(
        name,
        new Shape.Scalar(
            new ShapeId(XSD, name), LIST, "xs:" + name, Facets.NONE, Optional.of(scalar(item))));
  }

  private static void bounded(String name, @Nullable String least, @Nullable String most) {
    put(name, INTEGER, Facets.between(Optional.ofNullable(least), Optional.ofNullable(most)));
  }

  private static void put(String name, ScalarType type, Facets facets) {
    SCALARS.put(name, new Shape.Scalar(new ShapeId(XSD, name), type, "xs:" + name, facets));
  }

  static Shape.Scalar text() {
    return scalar("string");
  }

  static Shape.Scalar anySimple() {
    return scalar("anySimpleType");
  }

  private static Shape.Scalar scalar(String local) {
    return SCALARS.get(local);
  }

  /** Whether a name is one of XML Schema itself, for instance a schema inside a message. */
  static boolean isXsd(String namespace) {
    return namespace.equals(XSD) || DRAFTS.contains(namespace);
  }

  /** The shape of a built-in type; anyType is open. */
  static Optional<Shape> find(Name name) {
    if (ENCODINGS.contains(name.namespace())) {
      return Optional.ofNullable(SCALARS.get(name.local()))
          .map(
              scalar ->
                  new Shape.Scalar(
                      ShapeId.of(name), scalar.type(), "enc:" + name.local(), scalar.facets()));
    }
    if (!name.namespace().equals(XSD)) {
      return DRAFTS.contains(name.namespace())
          ? find(Name.of(XSD, RENAMED.getOrDefault(name.local(), name.local())))
          : Optional.empty();
    }
    if (name.local().equals("anyType")) {
      return Optional.of(new Shape.Open(OPEN));
    }
    return Optional.ofNullable(SCALARS.get(name.local()));
  }
}
