package org.mapsel.core.message.soap;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

/** Whether a text may be sent as a value of a type, before anything is sent. */
final class ParameterCheck {

  private static final int SHOWN_ALLOWED = 8;

  private ParameterCheck() {}

  static Optional<Finding> check(Shape.Scalar scalar, String text, FieldPath path) {
    Facets facets = scalar.facets();
    Optional<Value> parsed = ScalarText.parse(scalar.type(), text);
    if (parsed.isEmpty()) {
      return Optional.of(error("MESSAGE_VALUE_MISTYPED", text, path, "type", typeName(scalar)));
    }
    if (hasForbidden(text)) {
      return Optional.of(error("MESSAGE_CHARACTER_REFUSED", "", path));
    }
    if (scalar.type() == ScalarType.LIST && scalar.item().isPresent() && !text.isBlank()) {
      Optional<Finding> wrong =
          Arrays.stream(text.strip().split("\\s+"))
              .flatMap(word -> check(scalar.item().get(), word, path).stream())
              .findFirst();
      if (wrong.isPresent()) {
        return wrong;
      }
    }
    if (!facets.enumeration().isEmpty() && !facets.enumeration().contains(text)) {
      return Optional.of(
          error("MESSAGE_VALUE_NOT_ALLOWED", text, path, "allowed", shown(facets.enumeration())));
    }
    if (parsed.get() instanceof NumberValue number && outOfBounds(facets, number.number())) {
      return Optional.of(
          error("MESSAGE_NUMBER_OUT_OF_BOUNDS", text, path, "bounds", bounds(facets)));
    }
    return Optional.empty();
  }

  private static Finding error(String code, String text, FieldPath path, String... more) {
    String[] arguments = new String[4 + more.length];
    arguments[0] = "field";
    arguments[1] = path.toString();
    arguments[2] = "text";
    arguments[3] = text;
    System.arraycopy(more, 0, arguments, 4, more.length);
    return Finding.error(code, arguments).about(path);
  }

  private static String typeName(Shape.Scalar scalar) {
    return switch (scalar.type()) {
      case DATE -> "a date, for instance 2031-05-14";
      case TIME -> "a time, for instance 06:40:00";
      case DATE_TIME -> "a date and time, for instance 2031-05-14T06:40:00Z";
      case DURATION -> "a duration, for instance PT1H30M";
      case INTEGER -> "a whole number";
      case DECIMAL, FLOAT -> "a number";
      case BOOLEAN -> "true or false";
      case BASE64 -> "base64";
      case HEX -> "hexadecimal";
      case TEXT, LIST, URI, NAME, PARTIAL_DATE -> scalar.type().name().toLowerCase(Locale.ROOT);
    };
  }

  private static String shown(List<String> allowed) {
    String first = String.join(", ", allowed.subList(0, Math.min(allowed.size(), SHOWN_ALLOWED)));
    return allowed.size() > SHOWN_ALLOWED ? first + " …" : first;
  }

  /** XML 1.0, section 2.2: control characters cannot stand in a document at all. */
  private static boolean hasForbidden(String text) {
    return text.chars()
        .anyMatch(
            c -> c < 0x20 && c != '\t' && c != '\n' && c != '\r' || c == 0xFFFE || c == 0xFFFF);
  }

  private static boolean outOfBounds(Facets facets, BigDecimal number) {
    return facets
            .minInclusive()
            .flatMap(ParameterCheck::bound)
            .filter(b -> number.compareTo(b) < 0)
            .isPresent()
        || facets
            .maxInclusive()
            .flatMap(ParameterCheck::bound)
            .filter(b -> number.compareTo(b) > 0)
            .isPresent()
        || facets
            .minExclusive()
            .flatMap(ParameterCheck::bound)
            .filter(b -> number.compareTo(b) <= 0)
            .isPresent()
        || facets
            .maxExclusive()
            .flatMap(ParameterCheck::bound)
            .filter(b -> number.compareTo(b) >= 0)
            .isPresent();
  }

  private static Optional<BigDecimal> bound(String text) {
    try {
      return Optional.of(new BigDecimal(text));
    } catch (NumberFormatException e) {
      // INF and the like bound nothing.
      return Optional.empty();
    }
  }

  private static String bounds(Facets facets) {
    String least =
        facets
            .minInclusive()
            .map(b -> "at least " + b)
            .or(() -> facets.minExclusive().map(b -> "more than " + b))
            .orElse("");
    String most =
        facets
            .maxInclusive()
            .map(b -> "at most " + b)
            .or(() -> facets.maxExclusive().map(b -> "less than " + b))
            .orElse("");
    return least.isEmpty() || most.isEmpty() ? least + most : least + " and " + most;
  }
}
