package org.mapsel.core.table;

/** What the cells of a column hold. */
public enum ColumnType {
  TEXT("text"),
  WHOLE("whole number"),
  DECIMAL("number"),
  /** A number with a currency, the same in all cells. */
  MONEY("money"),
  DATE("date"),
  TIME("time"),
  /** A date with a time; in UTC where no zone is written. */
  DATE_TIME("date and time"),
  YES_NO("yes/no");

  private final String words;

  ColumnType(String words) {
    this.words = words;
  }

  /** As people read it. */
  public String words() {
    return words;
  }
}
