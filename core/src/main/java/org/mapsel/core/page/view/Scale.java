package org.mapsel.core.page.view;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Places of values on an even scale. */
final class Scale {

  private Scale() {}

  /** A number, or the milliseconds since 1970 of a date or a moment; nothing for other values. */
  static Optional<Double> place(Value value) {
    return switch (value) {
      case NumberValue number -> Optional.of(number.number().doubleValue());
      case TimeValue time -> millis(time);
      default -> Optional.empty();
    };
  }

  private static Optional<Double> millis(TimeValue time) {
    try {
      return switch (time.kind()) {
        case DATE ->
            Optional.of(
                (double)
                    LocalDate.parse(time.iso())
                        .atStartOfDay(ZoneOffset.UTC)
                        .toInstant()
                        .toEpochMilli());
        case DATE_TIME -> Optional.of(moment(time.iso()));
        default -> Optional.empty();
      };
    } catch (DateTimeException odd) {
      // A service may send what only looks like a moment: it stands nowhere on the scale.
      return Optional.empty();
    }
  }

  /** A moment without a zone is taken as one in UTC: only the distances matter. */
  private static double moment(String iso) {
    boolean zoned = iso.matches(".*(Z|[+-]\\d{2}:\\d{2})");
    return zoned
        ? OffsetDateTime.parse(iso).toInstant().toEpochMilli()
        : LocalDateTime.parse(iso).toInstant(ZoneOffset.UTC).toEpochMilli();
  }
}
