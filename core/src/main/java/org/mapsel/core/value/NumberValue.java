package org.mapsel.core.value;

import java.math.BigDecimal;

/** A number, exact to the last digit that was written. */
public record NumberValue(BigDecimal number) implements Value {

  public static NumberValue of(long number) {
    return new NumberValue(BigDecimal.valueOf(number));
  }
}
