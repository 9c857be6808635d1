package org.mapsel.core.message;

import java.math.BigDecimal;
import java.net.URI;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
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

/**
 * Whether a value may be sent as one of a type, before anything is sent. Made once for a type, it
 * looks at many values.
 */
public final class ParameterCheck {

  private static final int SHOWN_ALLOWED = 8;

  private final Shape.Scalar scalar;
  private final ScalarType type;
  private final Facets facets;

  /** Whether any value of the type will do. */
  private final boolean free;

  private final Set<String> allowed;
  private final List<Bound> bounds;
  private final Optional<BigDecimal> step;
  private final Optional<ParameterCheck> item;

  /** One end of what a number may be. */
  private record Bound(BigDecimal end, boolean least, boolean inclusive) {

    boolean refuses(BigDecimal number) {
      int compared = least ? number.compareTo(end) : end.compareTo(number);
      return inclusive ? compared < 0 : compared <= 0;
    }
  }

  private ParameterCheck(Shape.Scalar scalar) {
    this.scalar = scalar;
    this.type = scalar.type();
    this.facets = scalar.facets();
    this.free = facets == Facets.NONE && type != ScalarType.LIST;
    this.allowed = new HashSet<>(facets.enumeration());
    this.bounds =
        Stream.of(
                bound(facets.minInclusive(), true, true),
                bound(facets.maxInclusive(), false, true),
                bound(facets.minExclusive(), true, false),
                bound(facets.maxExclusive(), false, false))
            .flatMap(Optional::stream)
            .toList();
    this.step = facets.multipleOf().map(BigDecimal::new);
    this.item = type == ScalarType.LIST ? scalar.item().map(ParameterCheck::new) : Optional.empty();
  }

  public static ParameterCheck of(Shape.Scalar scalar) {
    return new ParameterCheck(scalar);
  }

  /** INF and the like bound nothing. */
  private static Optional<Bound> bound(Optional<String> end, boolean least, boolean inclusive) {
    try {
      return end.map(text -> new Bound(new BigDecimal(text), least, inclusive));
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /**
   * The text by which a value is sent; null, with a finding, if the type does not let it in.
   *
   * @param path names the parameter in findings
   */
  public @Nullable String text(Value value, Trail path, Findings findings) {
    if (free && type == ScalarType.TEXT && value instanceof TextValue any) {
      return any.text();
    }
    String text = ScalarText.print(type, value);
    Value parsed = isOf(type, value) ? value : ScalarText.parse(type, text).orElse(null);
    if (parsed == null || !free) {
      Finding wrong = wrong(text, parsed, path);
      if (wrong != null) {
        findings.add(wrong);
        return null;
      }
    }
    // What is typed leniently is sent as the type writes it.
    return parsed != value && value instanceof TextValue && type != ScalarType.TEXT
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
  private @Nullable Finding wrong(String text, @Nullable Value parsed, Trail path) {
    if (parsed == null) {
      return error("MESSAGE_VALUE_MISTYPED", text, path, "type", typeName(scalar));
    }
    if (item.isPresent() && !text.isBlank()) {
      for (String word : text.strip().split("\\s+")) {
        Value one = ScalarText.parse(item.get().type, word).orElse(null);
        Finding wrong = item.get().wrong(word, one, path);
        if (wrong != null) {
          return wrong;
        }
      }
    }
    if (!allowed.isEmpty() && !allowed.contains(text)) {
      return error("MESSAGE_VALUE_NOT_ALLOWED", text, path, "allowed", shown(facets.enumeration()));
    }
    if (!(parsed instanceof NumberValue number)) {
      return null;
    }
    if (isOutOfBounds(number.number())) {
      return error("MESSAGE_NUMBER_OUT_OF_BOUNDS", text, path, "bounds", bounds(facets));
    }
    return step.isPresent() && number.number().remainder(step.get()).signum() != 0
        ? error("MESSAGE_NUMBER_BETWEEN_STEPS", text, path, "step", step.get().toPlainString())
        : null;
  }

  private boolean isOutOfBounds(BigDecimal number) {
    for (int i = 0; i < bounds.size(); i++) {
      if (bounds.get(i).refuses(number)) {
        return true;
      }
    }
    return false;
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
