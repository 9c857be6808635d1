package org.mapsel.core.shape;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.value.AbsentValue;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NullValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Simple values as text and back, in the lexical forms of XML Schema 1.0 part 2, section 3.2. */
public final class ScalarText {

  /** From this power of ten on a decimal is written without an exponent (BigDecimal). */
  private static final int LEAST_WITHOUT_EXPONENT = -6;

  /** So many digits and a point are a long whatever they are. */
  private static final int USUAL_DIGITS = 17;

  private static final String ZONE = "(Z|[+-]\\d{2}:\\d{2})?";
  private static final Pattern DATE = Pattern.compile("-?\\d{4,}-\\d{2}-\\d{2}" + ZONE);
  private static final Pattern TIME = Pattern.compile("\\d{2}:\\d{2}:\\d{2}(\\.\\d+)?" + ZONE);
  private static final Pattern DATE_TIME =
      Pattern.compile("-?\\d{4,}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d+)?" + ZONE);
  private static final Pattern MINUTES =
      Pattern.compile("(.*T)?\\d{2}:\\d{2}(Z|[+-]\\d{2}:\\d{2})?");
  private static final Pattern DURATION =
      Pattern.compile(
          "-?P(?=.)(\\d+Y)?(\\d+M)?(\\d+D)?(T(?=.)(\\d+H)?(\\d+M)?(\\d+(\\.\\d+)?S)?)?");

  private ScalarText() {}

  /** Reads a text as a type; empty if it is not one of that type. */
  public static Optional<Value> parse(ScalarType type, String text) {
    return switch (type) {
      case TEXT, LIST -> Optional.of(new TextValue(text));
      case URI, NAME -> Optional.of(new TextValue(text.strip()));
      case BOOLEAN -> bool(text.strip());
      case INTEGER -> number(text.strip(), true);
      case DECIMAL -> number(text.strip(), false);
      case FLOAT -> floating(text.strip());
      case DATE -> time(DATE, TimeValue.Kind.DATE, text.strip());
      case TIME -> time(TIME, TimeValue.Kind.TIME, withSeconds(text.strip()));
      case DATE_TIME ->
          isUsualDateTime(text)
              ? Optional.of(new TimeValue(TimeValue.Kind.DATE_TIME, text))
              : time(DATE_TIME, TimeValue.Kind.DATE_TIME, withSeconds(text.strip()));
      case DURATION -> time(DURATION, TimeValue.Kind.DURATION, text.strip());
      case PARTIAL_DATE -> Optional.of(new TimeValue(TimeValue.Kind.PARTIAL, text.strip()));
      case BASE64 -> base64(text);
      case HEX -> hex(text.strip());
    };
  }

  /** The text of a simple value; binary as base64, absent and null as nothing. */
  public static String print(Value value) {
    return switch (value) {
      case TextValue text -> text.text();
      case NumberValue number -> plain(number.number());
      case BooleanValue bool -> bool.isTrue() ? "true" : "false";
      case TimeValue time -> time.iso();
      case BinaryValue binary -> Base64.getEncoder().encodeToString(binary.bytes());
      case NullValue none -> "";
      case AbsentValue none -> "";
      case ListValue list -> throw notSimple("list");
      case RecordValue record -> throw notSimple("record");
    };
  }

  /** Without an exponent; where none would be written anyway, the quicker and remembered way. */
  private static String plain(BigDecimal number) {
    int scale = number.scale();
    return scale >= 0 && number.precision() - 1 - scale >= LEAST_WITHOUT_EXPONENT
        ? number.toString()
        : number.toPlainString();
  }

  /** The text of a simple value as a type writes it. */
  public static String print(ScalarType type, Value value) {
    return type == ScalarType.HEX && value instanceof BinaryValue binary
        ? HexFormat.of().withUpperCase().formatHex(binary.bytes())
        : print(value);
  }

  private static IllegalArgumentException notSimple(String kind) {
    return new IllegalArgumentException("A " + kind + " has no text.");
  }

  private static Optional<Value> bool(String text) {
    return switch (text) {
      case "true", "1" -> Optional.of(BooleanValue.TRUE);
      case "false", "0" -> Optional.of(BooleanValue.FALSE);
      default -> Optional.empty();
    };
  }

  private static Optional<Value> number(String text, boolean whole) {
    BigDecimal usual = usualNumber(text);
    if (usual != null && !(whole && usual.scale() > 0)) {
      return Optional.of(new NumberValue(usual));
    }
    try {
      if (whole) {
        return Optional.of(new NumberValue(new BigDecimal(new BigInteger(text))));
      }
      return text.indexOf('e') >= 0 || text.indexOf('E') >= 0
          ? Optional.empty()
          : Optional.of(new NumberValue(new BigDecimal(text)));
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** A number of a few digits, perhaps with a point among them; null if it is written otherwise. */
  public static @Nullable BigDecimal usualNumber(CharSequence text) {
    int length = text.length();
    int start = length > 0 && text.charAt(0) == '-' ? 1 : 0;
    if (length == start || length - start > USUAL_DIGITS) {
      return null;
    }
    long digits = 0;
    int point = -1;
    for (int i = start; i < length; i++) {
      char c = text.charAt(i);
      if (c >= '0' && c <= '9') {
        digits = digits * 10 + c - '0';
      } else if (c == '.' && point < 0 && i > start && i + 1 < length) {
        point = i;
      } else {
        return null;
      }
    }
    return BigDecimal.valueOf(start == 0 ? digits : -digits, point < 0 ? 0 : length - 1 - point);
  }

  private static Optional<Value> floating(String text) {
    BigDecimal usual = usualNumber(text);
    if (usual != null) {
      return Optional.of(new NumberValue(usual));
    }
    if (text.equals("INF") || text.equals("-INF") || text.equals("NaN")) {
      return Optional.of(new TextValue(text));
    }
    try {
      BigDecimal number = new BigDecimal(text);
      // A double ends at 10^308; a larger exponent would print as that many digits.
      return Math.abs((long) number.precision() - number.scale()) > 400
          ? Optional.empty()
          : Optional.of(new NumberValue(number));
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /**
   * Whether a text is written like 2031-05-14T06:40:00Z, as nearly all are: then no pattern is
   * needed.
   */
  private static boolean isUsualDateTime(String text) {
    String like = "dddd-dd-ddTdd:dd:ddZ";
    if (text.length() != like.length()) {
      return false;
    }
    for (int i = 0; i < like.length(); i++) {
      char wished = like.charAt(i);
      char c = text.charAt(i);
      if (wished == 'd' ? c < '0' || c > '9' : c != wished) {
        return false;
      }
    }
    return true;
  }

  private static Optional<Value> time(Pattern pattern, TimeValue.Kind kind, String text) {
    return pattern.matcher(text).matches()
        ? Optional.of(new TimeValue(kind, text))
        : Optional.empty();
  }

  /** Browsers leave the seconds out of a time that was typed; XML Schema wants them. */
  private static String withSeconds(String text) {
    if (!MINUTES.matcher(text).matches()) {
      return text;
    }
    int afterMinutes = text.indexOf('T') + 6;
    return text.substring(0, afterMinutes) + ":00" + text.substring(afterMinutes);
  }

  private static Optional<Value> base64(String text) {
    try {
      return Optional.of(new BinaryValue(Base64.getMimeDecoder().decode(text)));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static Optional<Value> hex(String text) {
    try {
      return Optional.of(new BinaryValue(HexFormat.of().parseHex(text)));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }
}
