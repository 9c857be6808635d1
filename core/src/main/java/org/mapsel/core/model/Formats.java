package org.mapsel.core.model;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.text.NumberFormat;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.BinaryKind;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;
import org.mapsel.core.value.WrittenDuration;

/** Values in words, as a person with a language reads them. */
public final class Formats {

  /** From here on thousands are set apart: four digits may be a year. */
  private static final BigDecimal LONG_NUMBER = BigDecimal.valueOf(10_000);

  private static final Pattern ZONE = Pattern.compile("(Z|[+-]\\d{2}:\\d{2})$");

  private static final Format.Number COUNT = new Format.Number(Optional.empty(), true, false);

  private final Locale locale;

  public Formats(Locale locale) {
    this.locale = locale;
  }

  public Locale locale() {
    return locale;
  }

  /** A value as a field shows it; what a format cannot show stands as it is written. */
  public String show(Value value, Look look) {
    return switch (value) {
      case ListValue list ->
          list.items().stream().map(item -> show(item, look)).collect(Collectors.joining(", "));
      case RecordValue record ->
          record.toMap().values().stream()
              .map(inside -> show(inside, look))
              .filter(text -> !text.isEmpty())
              .collect(Collectors.joining(", "));
      case BinaryValue binary ->
          BinaryKind.mediaType(binary.bytes()) + ", " + size(binary.bytes().length);
      default -> simple(value, look);
    };
  }

  private String simple(Value given, Look look) {
    // What was typed, or came where a description says nothing, is a text whatever it means.
    Value value =
        given instanceof TextValue text
            ? ScalarText.parse(look.type(), text.text()).orElse(given)
            : given;
    String code =
        value instanceof BooleanValue yes
            ? String.valueOf(yes.isTrue())
            : ListValue.plain(value).orElse("");
    Optional<String> words =
        look.choices().stream()
            .filter(choice -> choice.code().equals(code))
            .map(Choice::words)
            .findFirst();
    if (words.isPresent()) {
      return words.get();
    }
    return switch (value) {
      case NumberValue number -> number(number.number(), look.format());
      case BooleanValue yes -> yesNo(yes.isTrue(), look.format());
      case TimeValue time -> time(time, look.format());
      case TextValue text -> text.text();
      default -> "";
    };
  }

  private static String yesNo(boolean yes, Format format) {
    return format instanceof Format.YesNo words
        ? yes ? words.yes() : words.no()
        : yes ? "yes" : "no";
  }

  private String number(BigDecimal number, Format format) {
    return switch (format) {
      case Format.Number how -> number(number, how);
      case Format.Money money -> money(number, money.currency());
      case Format.Progress progress ->
          number(number, new Format.Number(Optional.empty(), true, false));
      default -> number.toPlainString();
    };
  }

  private String number(BigDecimal number, Format.Number how) {
    int digits = how.digits().orElse(Math.max(0, number.scale()));
    DecimalFormat format = new DecimalFormat("0", DecimalFormatSymbols.getInstance(locale));
    format.setMinimumFractionDigits(digits);
    format.setMaximumFractionDigits(digits);
    format.setRoundingMode(RoundingMode.HALF_UP);
    boolean grouped = how.grouped() && number.abs().compareTo(LONG_NUMBER) >= 0;
    format.setGroupingUsed(grouped);
    format.setGroupingSize(3);
    format.setPositivePrefix(how.signed() && number.signum() > 0 ? "+" : "");
    return format.format(number);
  }

  private String money(BigDecimal number, String currency) {
    NumberFormat format = NumberFormat.getCurrencyInstance(locale);
    try {
      format.setCurrency(Currency.getInstance(currency));
    } catch (IllegalArgumentException e) {
      // A currency that the standard does not have is written as it is called.
      return number.toPlainString() + " " + currency;
    }
    return format.format(number);
  }

  private String time(TimeValue time, Format format) {
    try {
      return switch (time.kind()) {
        case DATE -> date(LocalDate.parse(ZONE.matcher(time.iso()).replaceAll("")), format);
        case TIME -> clock(LocalTime.parse(ZONE.matcher(time.iso()).replaceAll("")), format);
        case DATE_TIME -> dateTime(time.iso(), format);
        case DURATION -> WrittenDuration.of(time.iso()).map(this::duration).orElse(time.iso());
        case PARTIAL -> time.iso();
      };
    } catch (DateTimeException e) {
      // A day that no calendar has is shown as it was written.
      return time.iso();
    }
  }

  /** Parts that are nothing are left out, as long as there are others. */
  private String duration(WrittenDuration duration) {
    boolean nothing = duration.parts().values().stream().allMatch(part -> part.signum() == 0);
    return (duration.negative() ? "−" : "")
        + duration.parts().entrySet().stream()
            .filter(part -> nothing || part.getValue().signum() != 0)
            .map(part -> number(part.getValue(), COUNT) + " " + part.getKey().symbol())
            .collect(Collectors.joining(" "));
  }

  private String date(LocalDate date, Format format) {
    Format.Length length =
        switch (format) {
          case Format.Date day -> day.length();
          case Format.DateTime both -> both.length();
          default -> Format.Length.MEDIUM;
        };
    return date.format(DateTimeFormatter.ofLocalizedDate(style(length)).withLocale(locale));
  }

  private String clock(LocalTime time, Format format) {
    boolean seconds = format instanceof Format.Time exact && exact.seconds();
    return time.format(
        DateTimeFormatter.ofLocalizedTime(seconds ? FormatStyle.MEDIUM : FormatStyle.SHORT)
            .withLocale(locale));
  }

  private String dateTime(String iso, Format format) {
    boolean zoned = ZONE.matcher(iso).find();
    Optional<String> zone = format instanceof Format.DateTime both ? both.zone() : Optional.empty();
    LocalDateTime local =
        zoned && zone.isPresent()
            ? OffsetDateTime.parse(iso).atZoneSameInstant(ZoneId.of(zone.get())).toLocalDateTime()
            : LocalDateTime.parse(ZONE.matcher(iso).replaceAll(""));
    if (format instanceof Format.Date day) {
      return date(local.toLocalDate(), day);
    }
    if (format instanceof Format.Time exact) {
      return clock(local.toLocalTime(), exact);
    }
    Format.Length length =
        format instanceof Format.DateTime both ? both.length() : Format.Length.MEDIUM;
    return local.format(
        DateTimeFormatter.ofLocalizedDateTime(style(length), FormatStyle.SHORT).withLocale(locale));
  }

  private static FormatStyle style(Format.Length length) {
    return switch (length) {
      case SHORT -> FormatStyle.SHORT;
      case MEDIUM -> FormatStyle.MEDIUM;
      case LONG -> FormatStyle.LONG;
    };
  }

  private String size(int bytes) {
    List<String> units = List.of("B", "kB", "MB");
    double size = bytes;
    int unit = 0;
    while (size >= 1024 && unit < units.size() - 1) {
      size /= 1024;
      unit++;
    }
    BigDecimal rounded = BigDecimal.valueOf(size).setScale(unit == 0 ? 0 : 1, RoundingMode.HALF_UP);
    return number(rounded, new Format.Number(Optional.empty(), false, false))
        + " "
        + units.get(unit);
  }
}
