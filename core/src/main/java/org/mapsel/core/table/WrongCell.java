package org.mapsel.core.table;

/**
 * A cell that cannot be taken as it is.
 *
 * @param row its number in the file
 */
public record WrongCell(String table, long row, String column, String text, Why why) {

  /** What is wrong with it. */
  public enum Why {
    BLANK("needs a value"),
    TYPE("is not of the column's type"),
    CODE("is none of the column's codes"),
    CURRENCY("has another currency"),
    KEY("has the key of an earlier row");

    private final String words;

    Why(String words) {
      this.words = words;
    }

    /** As people read it. */
    public String words() {
      return words;
    }
  }
}
