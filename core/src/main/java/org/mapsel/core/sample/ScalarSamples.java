package org.mapsel.core.sample;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Sample values of simple types, within their facets. */
final class ScalarSamples {

  /** A fixed day, so that samples are the same every time. */
  private static final String DAY = "2031-05-14";

  /** Longer texts and numbers show nothing more. */
  private static final int MAX_LENGTH = 100_000;

  private static final int MAX_DIGITS = 400;
  private static final int MAX_WORDS = 1_000;

  private static final List<String> PATTERN_TRIES =
      List.of(
          "A",
          "AB",
          "ABC",
          "a",
          "abc",
          "1",
          "12",
          "123",
          "1234",
          "12345",
          "123456",
          "A1",
          "A-1",
          "S-20417",
          "AB-123",
          "AB 123",
          "ABC123",
          "Ab",
          "a@b.cd",
          "2031",
          "06:40",
          "12.5",
          "+1",
          "00000000-0000-4000-8000-000000000000");

  private ScalarSamples() {}

  /** What the description itself gives as a value. */
  static Value said(Shape.Scalar scalar, String text) {
    return ScalarText.parse(scalar.type(), text).orElse(new TextValue(text));
  }

  static Value value(Shape.Scalar scalar, String name, int item) {
    if (scalar.type() == ScalarType.TEXT && scalar.item().isPresent()) {
      return value(scalar.item().get(), name, item);
    }
    List<String> allowed = allowed(scalar);
    String text = allowed.isEmpty() ? free(scalar, name, item) : allowed.get(item % allowed.size());
    return said(scalar, text);
  }

  /** Descriptions list values that are none of the type, an empty one among numbers say. */
  private static List<String> allowed(Shape.Scalar scalar) {
    List<String> listed = scalar.facets().enumeration();
    List<String> fitting =
        listed.stream().filter(text -> ScalarText.parse(scalar.type(), text).isPresent()).toList();
    return fitting.isEmpty() ? listed : fitting;
  }

  private static String free(Shape.Scalar scalar, String name, int item) {
    return switch (scalar.type()) {
      case BOOLEAN -> item % 2 == 0 ? "true" : "false";
      case INTEGER ->
          number(
              scalar.facets(),
              // Steps of their own keep the items of a list apart.
              BigDecimal.valueOf(item + 1L).multiply(apart(scalar.facets())),
              BigDecimal.ONE);
      case DECIMAL, FLOAT ->
          number(
              scalar.facets(),
              new BigDecimal("12.5").add(BigDecimal.valueOf(item)),
              step(scalar.facets()));
      case DATE -> DAY;
      case TIME -> String.format(Locale.ROOT, "%02d:40:00", 6 + item % 12);
      case DATE_TIME -> String.format(Locale.ROOT, "%sT%02d:40:00Z", DAY, 6 + item % 12);
      case DURATION -> scalar.builtIn().equals("xs:yearMonthDuration") ? "P1Y" : "PT1H";
      case PARTIAL_DATE -> partial(scalar.builtIn());
      case BASE64, HEX -> bytes(scalar);
      case URI -> "urn:example:" + (item + 1);
      case NAME -> "name";
      case TEXT -> text(scalar, name, item);
      case LIST -> list(scalar, name);
    };
  }

  /** As many words as the list needs, one if it does not say. */
  private static String list(Shape.Scalar scalar, String name) {
    int words = Math.clamp(scalar.facets().minLength().orElse(1), 1, MAX_WORDS);
    Shape.Scalar one = scalar.item().orElse(scalar);
    return IntStream.range(0, words)
        .mapToObj(i -> ScalarText.print(one.type(), value(one, name, i)).replace(' ', '_'))
        .collect(Collectors.joining(" "));
  }

  private static String partial(String builtIn) {
    return switch (builtIn) {
      case "xs:gYear" -> "2031";
      case "xs:gYearMonth" -> "2031-05";
      case "xs:gMonth" -> "--05";
      case "xs:gMonthDay" -> "--05-14";
      default -> "---14";
    };
  }

  private static String bytes(Shape.Scalar scalar) {
    int wished = scalar.facets().minLength().orElse(scalar.facets().maxLength().orElse(3));
    int length = Math.clamp(wished, 1, MAX_LENGTH);
    String unit = scalar.type() == ScalarType.HEX ? "4D" : "M";
    return scalar.type() == ScalarType.HEX
        ? unit.repeat(length)
        : Base64.getEncoder()
            .encodeToString(unit.repeat(length).getBytes(StandardCharsets.US_ASCII));
  }

  private static BigDecimal apart(Facets facets) {
    return facets.multipleOf().map(BigDecimal::new).orElse(BigDecimal.ONE).max(BigDecimal.ONE);
  }

  private static BigDecimal step(Facets facets) {
    return BigDecimal.ONE.movePointLeft(decimals(facets));
  }

  private static int decimals(Facets facets) {
    return Math.min(facets.fractionDigits().orElse(1), MAX_DIGITS);
  }

  /** The wished number, or the nearest one that the bounds and digits let in. */
  private static String number(Facets facets, BigDecimal wished, BigDecimal step) {
    BigDecimal number = wished;
    if (facets.fractionDigits().isPresent() || facets.totalDigits().isPresent()) {
      int digits = decimals(facets);
      number = number.setScale(digits, RoundingMode.DOWN);
      int whole = facets.totalDigits().orElse(digits + 2) - digits;
      if (number.precision() - number.scale() > whole) {
        number = BigDecimal.ONE.movePointLeft(whole > 0 ? 0 : digits);
      }
    }
    // Bounds that are no numbers, such as INF, bound nothing.
    Optional<BigDecimal> most =
        bound(facets.maxInclusive())
            .or(() -> bound(facets.maxExclusive()).map(b -> b.subtract(step)));
    Optional<BigDecimal> least =
        bound(facets.minInclusive()).or(() -> bound(facets.minExclusive()).map(b -> b.add(step)));
    number = number.min(most.orElse(number));
    number = number.max(least.orElse(number));
    BigDecimal within = number;
    return facets
        .multipleOf()
        .map(BigDecimal::new)
        .map(multiple -> multiple(within, multiple, most))
        .orElse(number)
        .toPlainString();
  }

  /** The next multiple, or the last one that is not too large. */
  private static BigDecimal multiple(
      BigDecimal number, BigDecimal multiple, Optional<BigDecimal> most) {
    BigDecimal next = number.divide(multiple, 0, RoundingMode.CEILING).multiply(multiple);
    BigDecimal fitting =
        most.filter(bound -> next.compareTo(bound) > 0)
            .map(bound -> bound.divide(multiple, 0, RoundingMode.FLOOR).multiply(multiple))
            .orElse(next);
    return fitting.stripTrailingZeros();
  }

  private static Optional<BigDecimal> bound(Optional<String> written) {
    return written
        .filter(text -> text.length() <= MAX_DIGITS)
        .flatMap(text -> ScalarText.parse(ScalarType.FLOAT, text))
        .filter(NumberValue.class::isInstance)
        .map(value -> ((NumberValue) value).number());
  }

  private static String text(Shape.Scalar scalar, String name, int item) {
    Facets facets = scalar.facets();
    if (!facets.patterns().isEmpty()) {
      return PatternSamples.find(facets, PATTERN_TRIES, item).orElse(name);
    }
    String text = startsTyped(scalar.builtIn(), name, item);
    int least = facets.minLength().orElse(0);
    int most = facets.maxLength().orElse(Integer.MAX_VALUE);
    if (text.length() < least) {
      text = text + "x".repeat(Math.min(least, MAX_LENGTH) - text.length());
    }
    return text.length() > most ? text.substring(0, most) : text;
  }

  private static String startsTyped(String builtIn, String name, int item) {
    return switch (builtIn) {
      case "Edm.Guid", "uuid", "guid" ->
          "00000000-0000-4000-8000-%012d".formatted(Math.max(0, item));
      case "email" -> "desk" + (item + 1) + "@saltmere.example";
      case "hostname" -> "saltmere.example";
      case "ipv4" -> "192.0.2." + (item % 200 + 1);
      case "ipv6" -> "2001:db8::" + (item % 200 + 1);
      case "xs:language" -> "en";
      case "xs:ID", "xs:IDREF", "xs:IDREFS", "xs:ENTITY", "xs:NCName", "xs:Name" ->
          "id" + (item + 1);
      case "xs:NMTOKEN", "xs:NMTOKENS" -> "token" + (item + 1);
      default -> (name.isEmpty() ? "text" : name) + " " + (item + 1);
    };
  }
}
