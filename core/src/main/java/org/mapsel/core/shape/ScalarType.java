package org.mapsel.core.shape;

/** What kind of simple value a field holds, whatever the description called it. */
public enum ScalarType {
  TEXT,
  BOOLEAN,
  INTEGER,
  DECIMAL,
  /** Binary floating point; also takes INF and NaN in XML. */
  FLOAT,
  DATE,
  TIME,
  DATE_TIME,
  DURATION,
  /** A year, month, day or a pair of them. */
  PARTIAL_DATE,
  BASE64,
  HEX,
  URI,
  /** A qualified XML name. */
  NAME,
  /** Simple values separated by white space, kept as one text. */
  LIST
}
