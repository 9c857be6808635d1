package org.mapsel.core.message.odata;

import java.util.HexFormat;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.message.Trail;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.Value;

/**
 * Values as they stand in an address (OData 4.01 ABNF, primitiveLiteral; version 2.0 URI
 * conventions, section 6).
 */
final class Literals {

  private final boolean old;
  private final Findings findings;

  Literals(boolean old, Findings findings) {
    this.old = old;
    this.findings = findings;
  }

  /** Null, with a finding, if the type does not let the value in. */
  @Nullable String literal(Shape.Scalar scalar, Value value, Trail path) {
    String text = ParameterCheck.of(scalar).text(value, path, findings);
    if (text == null) {
      return null;
    }
    return old ? literal2(scalar, text, value) : literal4(scalar, text);
  }

  private static String quoted(String text) {
    return "'" + text.replace("'", "''") + "'";
  }

  private static String literal4(Shape.Scalar scalar, String text) {
    return switch (scalar.builtIn()) {
      case "Edm.String" -> quoted(text);
      case "Edm.Duration" -> "duration'" + text + "'";
      case "Edm.Binary" -> "binary'" + text.replace('+', '-').replace('/', '_') + "'";
      case "Edm.Guid" -> text;
      case "Edm.DateTimeOffset" -> zoned(text);
      default -> scalar.builtIn().startsWith("Edm.") ? text : scalar.builtIn() + quoted(text);
    };
  }

  private static String literal2(Shape.Scalar scalar, String text, Value value) {
    return switch (scalar.builtIn()) {
      case "Edm.Int64" -> text + "L";
      case "Edm.Decimal" -> text + "M";
      case "Edm.Double" -> text + "d";
      case "Edm.Single" -> text + "f";
      case "Edm.Guid" -> "guid'" + text + "'";
      case "Edm.DateTime" -> "datetime'" + text.replaceFirst("(Z|[+-]\\d{2}:\\d{2})$", "") + "'";
      case "Edm.DateTimeOffset" -> "datetimeoffset'" + zoned(text) + "'";
      case "Edm.Time" -> "time'" + text + "'";
      case "Edm.Binary" ->
          "binary'"
              + (value instanceof BinaryValue binary
                  ? HexFormat.of().withUpperCase().formatHex(binary.bytes())
                  : text)
              + "'";
      case "Edm.Boolean", "Edm.Byte", "Edm.SByte", "Edm.Int16", "Edm.Int32" -> text;
      default -> quoted(text);
    };
  }

  /** A moment must say its zone; without one the time of the service's own clock is meant. */
  static String zoned(String text) {
    return text.matches(".*(Z|[+-]\\d{2}:\\d{2})") ? text : text + "Z";
  }
}
