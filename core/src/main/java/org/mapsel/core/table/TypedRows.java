package org.mapsel.core.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Reads the rows of a file as an offered table has them. */
public final class TypedRows {

  /** Takes what was read. */
  public interface Sink {

    /**
     * A row all of whose cells are right.
     *
     * @param values one for each column; null where the cell is blank
     * @return whether to go on
     */
    boolean row(long number, List<@Nullable Value> values);

    /**
     * A row with a wrong cell or more.
     *
     * @return whether to go on
     */
    boolean wrong(List<WrongCell> cells);
  }

  private TypedRows() {}

  /**
   * Reads them in their order. Columns are found by what stands over them, or else by their place.
   *
   * @throws IOException if the file is broken
   */
  public static void read(TableFile file, OfferedTable table, Sink sink) throws IOException {
    long header = SheetScan.header(file, table.sheet());
    int[][] places = {null};
    file.rows(
        table.sheet(),
        (number, cells) -> {
          if (number == header) {
            places[0] = places(table, cells);
          }
          if (number <= header || SheetScan.isBlank(cells)) {
            return true;
          }
          return row(table, number, cells, places[0], sink);
        });
  }

  private static int[] places(OfferedTable table, List<String> header) {
    List<String> names = header.stream().map(String::strip).toList();
    return table.columns().stream().mapToInt(column -> names.indexOf(column.header())).toArray();
  }

  private static boolean row(
      OfferedTable table, long number, List<String> cells, int @Nullable [] places, Sink sink) {
    List<@Nullable Value> values = new ArrayList<>(table.columns().size());
    List<WrongCell> wrong = new ArrayList<>();
    for (int i = 0; i < table.columns().size(); i++) {
      Column column = table.columns().get(i);
      int at = places == null ? i : places[i];
      String cell = at >= 0 && at < cells.size() ? cells.get(at) : "";
      values.add(value(table, column, number, cell, wrong));
    }
    return wrong.isEmpty() ? sink.row(number, values) : sink.wrong(wrong);
  }

  private static @Nullable Value value(
      OfferedTable table, Column column, long number, String cell, List<WrongCell> wrong) {
    if (cell.isBlank()) {
      if (column.required() || column.key()) {
        wrong.add(new WrongCell(table.name(), number, column.name(), "", WrongCell.Why.BLANK));
      }
      return null;
    }
    Optional<Value> value = CellText.read(column.type(), table.style(), cell);
    boolean foreign =
        column.type() == ColumnType.MONEY
            && CellText.currency(cell).filter(unit -> !unit.equals(column.unit())).isPresent();
    if (value.isEmpty() || foreign) {
      wrong.add(
          new WrongCell(
              table.name(),
              number,
              column.name(),
              cell,
              foreign ? WrongCell.Why.CURRENCY : WrongCell.Why.TYPE));
      return null;
    }
    if (!column.codes().isEmpty() && !column.codes().contains(cell.strip())) {
      wrong.add(new WrongCell(table.name(), number, column.name(), cell, WrongCell.Why.CODE));
      return null;
    }
    return column.codes().isEmpty() && !column.key() ? value.get() : trimmed(value.get());
  }

  private static Value trimmed(Value value) {
    return value instanceof TextValue text ? Value.text(text.text().strip()) : value;
  }
}
