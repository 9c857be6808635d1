package org.mapsel.core.convert;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.shape.ScalarType;

/** All conversions; a new one is a new line here. */
public final class Conversions {

  private static final List<Conversion> ALL =
      List.of(
          new AsText(),
          new TextAs("number", ScalarType.DECIMAL),
          new TextAs("wholeNumber", ScalarType.INTEGER),
          new TextAs("floatingNumber", ScalarType.FLOAT),
          new TextAs("yesOrNo", ScalarType.BOOLEAN),
          new TextAs("day", ScalarType.DATE),
          new TextAs("time", ScalarType.TIME),
          new TextAs("dayAndTime", ScalarType.DATE_TIME),
          new TextAs("duration", ScalarType.DURATION),
          new TextAs("bytes", ScalarType.BASE64),
          new Rounded(),
          new DayOf(),
          new TimeOf(),
          new Midnight(),
          new OneOrZero(),
          new NotZero(),
          new NumberOfPart());

  private Conversions() {}

  /** Whether values of one type are values of the other as they stand. */
  public static boolean isNeeded(ScalarType from, ScalarType to) {
    return !Types.isSame(from, to);
  }

  /** What makes values of the one type into values of the other; nothing if nothing does. */
  public static Optional<Conversion> between(ScalarType from, ScalarType to) {
    return ALL.stream()
        .filter(conversion -> conversion.from().contains(from) && conversion.to().contains(to))
        .findFirst();
  }
}
