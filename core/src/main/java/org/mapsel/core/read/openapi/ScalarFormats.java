package org.mapsel.core.read.openapi;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.shape.ScalarType;

/** The formats of simple types (OpenAPI format registry; JSON Schema validation, section 7.3). */
final class ScalarFormats {

  private static final Map<String, ScalarType> TEXTS =
      Map.ofEntries(
          Map.entry("date", ScalarType.DATE),
          Map.entry("full-date", ScalarType.DATE),
          Map.entry("date-time", ScalarType.DATE_TIME),
          Map.entry("datetime", ScalarType.DATE_TIME),
          Map.entry("time", ScalarType.TIME),
          Map.entry("time-local", ScalarType.TIME),
          Map.entry("duration", ScalarType.DURATION),
          Map.entry("byte", ScalarType.BASE64),
          Map.entry("base64", ScalarType.BASE64),
          Map.entry("base64url", ScalarType.BASE64),
          Map.entry("binary", ScalarType.BASE64),
          Map.entry("uri", ScalarType.URI),
          Map.entry("url", ScalarType.URI),
          Map.entry("uri-reference", ScalarType.URI));

  private static final Set<String> WHOLE =
      Set.of("int8", "int16", "int32", "int64", "uint8", "uint16", "uint32", "uint64", "integer");
  private static final Set<String> NUMERIC = Set.of("float", "double", "decimal", "number");

  private ScalarFormats() {}

  static boolean isNumeric(String format) {
    return WHOLE.contains(format) || NUMERIC.contains(format);
  }

  static ScalarType typeOf(String type, String format, String contentEncoding) {
    String known = format.toLowerCase(Locale.ROOT);
    return switch (type) {
      case "integer" -> ScalarType.INTEGER;
      case "number" ->
          WHOLE.contains(known)
              ? ScalarType.INTEGER
              : known.equals("float") || known.equals("double")
                  ? ScalarType.FLOAT
                  : ScalarType.DECIMAL;
      case "boolean" -> ScalarType.BOOLEAN;
      case "file" -> ScalarType.BASE64;
      default ->
          contentEncoding.startsWith("base64")
              ? ScalarType.BASE64
              : TEXTS.getOrDefault(known, ScalarType.TEXT);
    };
  }
}
