package org.mapsel.core.shape;

/** What kind of simple value a field holds, whatever the description called it. */
public enum ScalarType {
  TEXT("text"),
  BOOLEAN("yes/no"),
  INTEGER("whole number"),
  DECIMAL("number"),
  /** Binary floating point; also takes INF and NaN in XML. */
  FLOAT("number"),
  DATE("date"),
  TIME("time"),
  DATE_TIME("date-time"),
  DURATION("duration"),
  /** A year, month, day or a pair of them. */
  PARTIAL_DATE("part of a date"),
  BASE64("binary"),
  HEX("hexadecimal"),
  URI("address"),
  /** A qualified XML name. */
  NAME("name"),
  /** Simple values separated by white space, kept as one text. */
  LIST("list of words");

  private final String words;

  ScalarType(String words) {
    this.words = words;
  }

  /** As people read it. */
  public String words() {
    return words;
  }
}
