package org.mapsel.core.ref;

/**
 * A place in a document: its address or file name, line and column, both counted from 1; 0 where
 * unknown.
 */
public record Place(String document, int line, int column) {

  public static Place in(String document) {
    return new Place(document, 0, 0);
  }

  @Override
  public String toString() {
    return line == 0 ? document : document + ":" + line + ":" + column;
  }
}
