package org.mapsel.core.message;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Whether a text may be sent as a value of a type, before anything is sent. */
public final class ParameterCheck {

  private static final int SHOWN_ALLOWED = 8;

  /** So many characters are a long whatever they are. */
  private static final int LONG_DIGITS = 18;

  private ParameterCheck() {}

  /**
   * The text by which a value is sent; null, with a finding, if the type does not let it in.
   *
   * @param path names the parameter in findings
   */
  public static @Nullable String checked(
      Shape.Scalar scalar, Value value, Trail path, Findings findings) {
    ScalarType type = scalar.type();
    String text = ScalarText.print(type, value);
    Value parsed = isOf(type, value) ? value : ScalarText.parse(type, text).orElse(null);
    Finding wrong = check(scalar, text, parsed, path);
    if (wrong != null) {
      findings.add(wrong);
      return null;
    }
    // What is typed leniently is sent as the type writes it.
    return parsed != null && value instanceof TextValue && type != ScalarType.TEXT
        ? ScalarText.print(type, parsed)
        : text;
  }

  /** Whether a value is of a type beyond doubt, so that its text need not be read again. */
  private static boolean isOf(ScalarType type, Value value) {
    return switch (type) {
      case TEXT -> value instanceof TextValue;
      case INTEGER -> value instanceof NumberValue whole && whole.number().scale() == 0;
      case DECIMAL -> value instanceof NumberValue;
      case BOOLEAN -> value instanceof BooleanValue;
      default -> false;
    };
  }

  /**
   * @param parsed the text read as the type; null if it is none of that type
   */
  private static @Nullable Finding check(
      Shape.Scalar scalar, String text, @Nullable Value parsed, Trail path) {
    Facets facets = scalar.facets();
    if (parsed == null) {
      return error("MESSAGE_VALUE_MISTYPED", text, path, "type", typeName(scalar));
    }
    if (facets == Facets.NONE && scalar.type() != ScalarType.LIST) {
      return null;
    }
    if (scalar.type() == ScalarType.LIST && scalar.item().isPresent() && !text.isBlank()) {
      for (String word : text.strip().split("\\s+")) {
        Shape.Scalar item = scalar.item().get();
        Value one = ScalarText.parse(item.type(), word).orElse(null);
        Finding wrong = check(item, word, one, path);
        if (wrong != null) {
          return wrong;
        }
      }
    }
    if (!facets.enumeration().isEmpty() && !facets.enumeration().contains(text)) {
      return error("MESSAGE_VALUE_NOT_ALLOWED", text, path, "allowed", shown(facets.enumeration()));
    }
    if (parsed instanceof NumberValue number && outOfBounds(facets, number.number(), text)) {
      return error("MESSAGE_NUMBER_OUT_OF_BOUNDS", text, path, "bounds", bounds(facets));
    }
    return null;
  }

  private static Finding error(String code, String text, Trail path, String... more) {
    String[] arguments = new String[2 + more.length];
    arguments[0] = "text";
    arguments[1] = text;
    System.arraycopy(more, 0, arguments, 2, more.length);
    return path.error(code, arguments);
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

  private static boolean outOfBounds(Facets facets, BigDecimal number, String text) {
    if (isFarWithin(facets, text)) {
      return false;
    }
    return compares(facets.minInclusive(), number, c -> c < 0)
        || compares(facets.maxInclusive(), number, c -> c > 0)
        || compares(facets.minExclusive(), number, c -> c <= 0)
        || compares(facets.maxExclusive(), number, c -> c >= 0);
  }

  /** Whether fewer digits than the upper bound has say already that a number is within. */
  private static boolean isFarWithin(Facets facets, String text) {
    String least = facets.minInclusive().orElse("");
    String most = facets.maxInclusive().orElse("");
    return facets.minExclusive().isEmpty()
        && facets.maxExclusive().isEmpty()
        && (least.startsWith("-") || least.equals("0"))
        && text.length() < most.length()
        && Character.isDigit(text.charAt(0))
        && Character.isDigit(most.charAt(0))
        && most.indexOf('.') < 0
        && most.indexOf('E') < 0
        && text.indexOf('e') < 0
        && text.indexOf('E') < 0;
  }

  /** Whether the number compares to a bound in a way; INF and the like bound nothing. */
  private static boolean compares(Optional<String> bound, BigDecimal number, IntPredicate way) {
    if (bound.isEmpty()) {
      return false;
    }
    String text = bound.get();
    try {
      BigDecimal parsed =
          text.length() < LONG_DIGITS && text.chars().noneMatch(c -> ".eE".indexOf(c) >= 0)
              ? BigDecimal.valueOf(Long.parseLong(text))
              : new BigDecimal(text);
      return way.test(number.compareTo(parsed));
    } catch (NumberFormatException e) {
      return false;
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
