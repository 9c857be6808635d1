package org.mapsel.core.value;

import java.util.AbstractList;
import java.util.RandomAccess;

/**
 * Many records of one layout without an object for each: tables hold what is in them, and a record
 * is made when somebody looks at one.
 */
final class Rows extends AbstractList<Value> implements RandomAccess {

  /** Rows of one table; the last table may have fewer. */
  static final int IN_TABLE = 256;

  private final Layout layout;
  private final int size;

  /** Row by row. Texts, which most values are, stand there without the value around them. */
  private final Object[][] tables;

  Rows(Layout layout, int size, Object[][] tables) {
    this.layout = layout;
    this.size = size;
    this.tables = tables;
  }

  Layout layout() {
    return layout;
  }

  /** How a value stands in a table. */
  static Object cell(Value value) {
    return value instanceof TextValue text ? text.text() : value;
  }

  /** The record at a place of a table. */
  static RecordValue record(Layout layout, Object[] table, int row) {
    Value[] values = new Value[layout.size()];
    for (int i = 0; i < values.length; i++) {
      Object cell = table[row * values.length + i];
      values[i] = cell instanceof String text ? new TextValue(text) : (Value) cell;
    }
    return RecordValue.owning(layout, values);
  }

  @Override
  public Value get(int index) {
    if (index < 0 || index >= size) {
      throw new IndexOutOfBoundsException(index);
    }
    return record(layout, tables[index / IN_TABLE], index % IN_TABLE);
  }

  @Override
  public int size() {
    return size;
  }

  /** The table that a row is in. */
  Object[] table(int index) {
    return tables[index / IN_TABLE];
  }
}
