package org.mapsel.core.table;

/**
 * How numbers and dates are written in a table.
 *
 * @param decimalComma whether 1,5 is one and a half; otherwise a comma stands between thousands
 * @param monthFirst whether 4/5/2031 is in April
 */
public record CellStyle(boolean decimalComma, boolean monthFirst) {

  /** A point before decimals, days before months. */
  public static final CellStyle USUAL = new CellStyle(false, false);
}
