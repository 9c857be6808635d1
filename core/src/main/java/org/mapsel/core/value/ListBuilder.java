package org.mapsel.core.value;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A list under way. Many records of one layout go into tables as they come. */
public final class ListBuilder {

  /** Fewer records are not worth a table. */
  private static final int MANY = 32;

  /** The items, as long as they are few or of several kinds. */
  private List<Value> items = new ArrayList<>(4);

  /** The layout of the records in the tables; null as long as there are none. */
  private @Nullable Layout layout;

  private final List<Object[]> tables = new ArrayList<>(0);
  private int rows;

  /** Adds an item behind the others. */
  public void add(Value item) {
    if (layout != null && item instanceof RecordValue record && record.layout() == layout) {
      row(record);
      return;
    }
    if (layout != null) {
      List<Value> before = new ArrayList<>(items());
      layout = null;
      tables.clear();
      items = before;
    }
    items.add(item);
    if (items.size() == MANY) {
      tabulate();
    }
  }

  /** Adds all items of a list behind the others. */
  public void addAll(ListValue list) {
    if (layout == null && items.isEmpty() && list.items() instanceof Rows first) {
      layout = first.layout();
    }
    if (list.items() instanceof Rows more && more.layout() == layout) {
      int width = more.layout().size();
      for (int i = 0; i < more.size(); i++) {
        System.arraycopy(more.table(i), i % Rows.IN_TABLE * width, table(), at(), width);
        rows++;
      }
      return;
    }
    list.items().forEach(this::add);
  }

  /** The first items become rows if they are all records of one layout. */
  private void tabulate() {
    Layout first = items.get(0) instanceof RecordValue record ? record.layout() : null;
    for (Value item : items) {
      if (first == null || !(item instanceof RecordValue record) || record.layout() != first) {
        return;
      }
    }
    layout = first;
    rows = 0;
    items.forEach(item -> row((RecordValue) item));
    items = List.of();
  }

  private void row(RecordValue record) {
    Object[] table = table();
    int at = at();
    for (int i = 0; i < record.layout().size(); i++) {
      table[at + i] = Rows.cell(record.at(i));
    }
    rows++;
  }

  /** Where the next row goes. */
  private Object[] table() {
    if (rows % Rows.IN_TABLE == 0 && rows / Rows.IN_TABLE == tables.size()) {
      tables.add(new Object[Rows.IN_TABLE * width()]);
    }
    return tables.getLast();
  }

  private int at() {
    return rows % Rows.IN_TABLE * width();
  }

  private int width() {
    return layout == null ? 0 : layout.size();
  }

  private List<Value> items() {
    return layout == null ? items : new Rows(layout, rows, tables.toArray(new Object[0][]));
  }

  /** The list; nothing more can be added. */
  public ListValue build() {
    if (layout != null) {
      int left = rows % Rows.IN_TABLE;
      if (left != 0) {
        tables.set(tables.size() - 1, Arrays.copyOf(tables.getLast(), left * width()));
      }
    }
    return new ListValue(items());
  }
}
