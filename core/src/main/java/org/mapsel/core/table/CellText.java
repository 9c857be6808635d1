package org.mapsel.core.table;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** The text of a cell as a value of a type. */
final class CellText {

  private static final int MOST_DIGITS = 38;
  private static final Pattern CURRENCY =
      Pattern.compile(
          "^([A-Z]{3}|\\p{Sc})?\\s*(-?[\\d., '\u00a0\u202f]+?)\\s*([A-Z]{3}|\\p{Sc})?$");
  private static final Pattern ISO_DATE = Pattern.compile("(\\d{4})-(\\d{2})-(\\d{2})");
  private static final Pattern POINTED_DATE =
      Pattern.compile("(\\d{1,2})\\.\\s?(\\d{1,2})\\.\\s?(\\d{4})");
  private static final Pattern SLASHED_DATE = Pattern.compile("(\\d{1,2})/(\\d{1,2})/(\\d{4})");
  private static final Pattern TIME =
      Pattern.compile("(\\d{1,2}):(\\d{2})(?::(\\d{2})(\\.\\d{1,6})?)?");
  private static final Pattern ZONE = Pattern.compile("Z|[+-]\\d{2}:\\d{2}");

  private static final Set<String> YES = Set.of("yes", "true", "y");
  private static final Set<String> NO = Set.of("no", "false", "n");

  private CellText() {}

  /** Reads a cell that is not blank; nothing if it is not of the type. */
  static Optional<Value> read(ColumnType type, CellStyle style, String cell) {
    String text = cell.strip();
    return switch (type) {
      // No database keeps a text with this character.
      case TEXT -> cell.indexOf('\0') < 0 ? Optional.of(Value.text(cell)) : Optional.empty();
      case WHOLE ->
          number(text, style)
              .filter(number -> number.scale() <= 0 && fitsLong(number))
              .map(NumberValue::new);
      case DECIMAL -> number(text, style).map(NumberValue::new);
      case MONEY -> amount(text).flatMap(plain -> number(plain, style)).map(NumberValue::new);
      case DATE ->
          date(text, style).map(date -> new TimeValue(TimeValue.Kind.DATE, date.toString()));
      case TIME -> time(text).map(time -> new TimeValue(TimeValue.Kind.TIME, time));
      case DATE_TIME ->
          dateTime(text, style).map(time -> new TimeValue(TimeValue.Kind.DATE_TIME, time));
      case YES_NO -> yesNo(text.toLowerCase(Locale.ROOT));
    };
  }

  private static boolean fitsLong(BigDecimal number) {
    return number.abs().compareTo(BigDecimal.valueOf(Long.MAX_VALUE)) <= 0;
  }

  /** A number, perhaps with signs between its thousands. */
  private static Optional<BigDecimal> number(String text, CellStyle style) {
    BigDecimal usual = style.decimalComma() ? null : ScalarText.usualNumber(text);
    if (usual != null) {
      return Optional.of(usual);
    }
    String between = style.decimalComma() ? "." : ",";
    String mark = style.decimalComma() ? "," : ".";
    int point = text.indexOf(mark);
    String whole = point < 0 ? text : text.substring(0, point);
    String rest = point < 0 ? "" : text.substring(point + 1);
    String digits = whole.startsWith("-") ? whole.substring(1) : whole;
    String plain = ungrouped(digits, between);
    boolean isNumber =
        !plain.isEmpty()
            && plain.length() + rest.length() <= MOST_DIGITS
            && isDigits(plain)
            && isDigits(rest)
            && (point < 0 || !rest.isEmpty());
    if (!isNumber) {
      return Optional.empty();
    }
    BigDecimal number = new BigDecimal(rest.isEmpty() ? plain : plain + "." + rest);
    return Optional.of(whole.startsWith("-") ? number.negate() : number);
  }

  /** Digits without what stands between groups of three of them; empty if the groups are others. */
  private static String ungrouped(String digits, String sign) {
    String plain = digits.replaceAll("[ '\u00a0\u202f]", sign);
    if (!plain.contains(sign)) {
      return plain;
    }
    String[] groups = plain.split(Pattern.quote(sign), -1);
    for (int i = 0; i < groups.length; i++) {
      int length = groups[i].length();
      if (i == 0 ? length < 1 || length > 3 : length != 3) {
        return "";
      }
    }
    return String.join("", groups);
  }

  private static boolean isDigits(String text) {
    return text.chars().allMatch(c -> c >= '0' && c <= '9');
  }

  /** Whether a number is only one for counting things: codes with leading zeros are texts. */
  static boolean isCode(String text) {
    return text.length() > 1 && text.startsWith("0") && isDigits(text);
  }

  /** The sign or the code of the currency that stands beside an amount. */
  static Optional<String> currency(String text) {
    Matcher matcher = CURRENCY.matcher(text.strip());
    return matcher.matches()
        ? Optional.ofNullable(matcher.group(1)).or(() -> Optional.ofNullable(matcher.group(3)))
        : Optional.empty();
  }

  private static Optional<String> amount(String text) {
    Matcher matcher = CURRENCY.matcher(text);
    return matcher.matches() ? Optional.of(matcher.group(2).strip()) : Optional.empty();
  }

  private static Optional<LocalDate> date(String text, CellStyle style) {
    Matcher iso = ISO_DATE.matcher(text);
    if (iso.matches()) {
      return day(iso.group(1), iso.group(2), iso.group(3));
    }
    Matcher pointed = POINTED_DATE.matcher(text);
    if (pointed.matches()) {
      return day(pointed.group(3), pointed.group(2), pointed.group(1));
    }
    Matcher slashed = SLASHED_DATE.matcher(text);
    return slashed.matches()
        ? style.monthFirst()
            ? day(slashed.group(3), slashed.group(1), slashed.group(2))
            : day(slashed.group(3), slashed.group(2), slashed.group(1))
        : Optional.empty();
  }

  private static Optional<LocalDate> day(String year, String month, String day) {
    try {
      return Optional.of(
          LocalDate.of(Integer.parseInt(year), Integer.parseInt(month), Integer.parseInt(day)));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private static Optional<String> time(String text) {
    Matcher matcher = TIME.matcher(text);
    if (!matcher.matches()
        || Integer.parseInt(matcher.group(1)) > 23
        || Integer.parseInt(matcher.group(2)) > 59) {
      return Optional.empty();
    }
    String seconds = matcher.group(3) == null ? "00" : matcher.group(3);
    String part = matcher.group(4) == null ? "" : matcher.group(4);
    return seconds.compareTo("59") > 0
        ? Optional.empty()
        : Optional.of(
            (matcher.group(1).length() == 1 ? "0" : "")
                + matcher.group(1)
                + ":"
                + matcher.group(2)
                + ":"
                + seconds
                + part);
  }

  private static Optional<String> dateTime(String text, CellStyle style) {
    Matcher zone = ZONE.matcher(text);
    String offset = "Z";
    String local = text;
    // A zone stands at the end; a date with hyphens has nothing that looks like one.
    while (zone.find()) {
      if (zone.end() == text.length() && text.contains(":")) {
        offset = zone.group();
        local = text.substring(0, zone.start());
      }
    }
    int gap = local.contains("T") ? local.indexOf('T') : local.lastIndexOf(' ');
    if (gap < 0) {
      return Optional.empty();
    }
    Optional<LocalDate> day = date(local.substring(0, gap).strip(), style);
    Optional<String> time = time(local.substring(gap + 1).strip());
    String end = offset;
    return day.flatMap(date -> time.map(at -> date + "T" + at + end));
  }

  private static Optional<Value> yesNo(String text) {
    return YES.contains(text)
        ? Optional.of(BooleanValue.TRUE)
        : NO.contains(text) ? Optional.of(BooleanValue.FALSE) : Optional.empty();
  }
}
