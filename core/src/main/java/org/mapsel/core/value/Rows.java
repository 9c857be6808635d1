package org.mapsel.core.value;

import java.util.AbstractList;
import java.util.List;
import java.util.RandomAccess;
import org.jspecify.annotations.Nullable;

/**
 * Many records of one layout without an object for each: a table holds what is in them, and a
 * record is made when somebody looks at one.
 */
final class Rows extends AbstractList<Value> implements RandomAccess {

  /** Fewer records are not worth the trouble. */
  private static final int MANY = 32;

  private static final int MOST_CELLS = Integer.MAX_VALUE - 8;

  private final Layout layout;
  private final int size;

  /** Row by row. Texts, which most values are, stand there without the value around them. */
  private final Object[] cells;

  private Rows(Layout layout, int size, Object[] cells) {
    this.layout = layout;
    this.size = size;
    this.cells = cells;
  }

  /** The same items, in a table if they are many alike. Nobody can change them. */
  static List<Value> of(List<Value> items) {
    if (items instanceof Rows) {
      return items;
    }
    Rows rows =
        items.size() >= MANY && items.get(0) instanceof RecordValue first
            ? table(items, first.layout())
            : null;
    return rows == null ? List.copyOf(items) : rows;
  }

  /** Nothing if the items are not all records of the layout. */
  private static @Nullable Rows table(List<Value> items, Layout layout) {
    int width = layout.size();
    if ((long) items.size() * width > MOST_CELLS) {
      return null;
    }
    Object[] cells = new Object[items.size() * width];
    int at = 0;
    for (Value item : items) {
      if (!(item instanceof RecordValue record) || record.layout() != layout) {
        return null;
      }
      for (int i = 0; i < width; i++) {
        Value value = record.at(i);
        cells[at++] = value instanceof TextValue text ? text.text() : value;
      }
    }
    return new Rows(layout, items.size(), cells);
  }

  @Override
  public Value get(int index) {
    if (index < 0 || index >= size) {
      throw new IndexOutOfBoundsException(index);
    }
    Value[] values = new Value[layout.size()];
    for (int i = 0; i < values.length; i++) {
      Object cell = cells[index * values.length + i];
      values[i] = cell instanceof String text ? new TextValue(text) : (Value) cell;
    }
    return RecordValue.owning(layout, values);
  }

  @Override
  public int size() {
    return size;
  }
}
