package org.mapsel.core.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.stream.Stream;

/**
 * What was seen in a table of a file.
 *
 * @param header the number of the row with the columns' names; 0 if there is none
 * @param rows how many rows with something in them follow
 */
public record SheetScan(String sheet, long header, long rows, List<ColumnScan> columns) {

  private static final int HEADER_WITHIN = 20;
  private static final int MOST_COLUMNS = 400;

  /** So many cells are looked at closely; of the other rows it is only told how many they are. */
  private static final int CLOSELY = 400_000;

  private static final int CLOSELY_LEAST = 1_000;

  /**
   * Looks through a table.
   *
   * @throws IOException if the file is broken
   */
  public static SheetScan of(TableFile file, String sheet) throws IOException {
    long header = header(file, sheet);
    List<ColumnScan> columns = new ArrayList<>();
    long[] rows = {0};
    file.rows(
        sheet,
        (number, cells) -> {
          if (number == header) {
            for (int i = 0; i < Math.min(cells.size(), MOST_COLUMNS); i++) {
              columns.add(new ColumnScan(cells.get(i).strip()));
            }
          } else if (number > header && !isBlank(cells)) {
            rows[0]++;
            if (rows[0] > Math.max(CLOSELY_LEAST, CLOSELY / Math.max(1, columns.size()))) {
              return true;
            }
            while (columns.size() < Math.min(cells.size(), MOST_COLUMNS)) {
              columns.add(new ColumnScan(""));
            }
            for (int i = 0; i < columns.size(); i++) {
              columns.get(i).see(i < cells.size() ? cells.get(i) : "");
            }
          }
          return true;
        });
    columns.removeIf(column -> column.header().isEmpty() && column.filled() == 0);
    return new SheetScan(sheet, header, rows[0], columns);
  }

  /** Whether a row has nothing in it. */
  static boolean isBlank(List<String> cells) {
    return cells.stream().allMatch(String::isBlank);
  }

  /**
   * The row that names the columns: the first one whose cells are all different texts, as many as
   * most of the first rows have; 0 if there is none.
   *
   * @throws IOException if the file is broken
   */
  static long header(TableFile file, String sheet) throws IOException {
    List<List<String>> first = new ArrayList<>();
    file.rows(
        sheet,
        (number, cells) -> {
          first.add(cells);
          return first.size() < HEADER_WITHIN;
        });
    int[] widths =
        first.stream().mapToInt(SheetScan::width).filter(width -> width > 0).sorted().toArray();
    int usual = widths.length == 0 ? 0 : widths[widths.length / 2];
    for (int i = 0; i < first.size(); i++) {
      List<String> cells = first.get(i);
      List<String> named =
          cells.stream().map(String::strip).filter(cell -> !cell.isEmpty()).toList();
      boolean all =
          named.size() * 5 >= usual * 4
              && new HashSet<>(named).size() == named.size()
              && named.stream().allMatch(SheetScan::isName);
      if (all && !named.isEmpty()) {
        return i + 1L;
      }
      if (named.size() * 2 > usual) {
        // Data has begun.
        return 0;
      }
    }
    return 0;
  }

  private static int width(List<String> cells) {
    return (int) cells.stream().filter(cell -> !cell.isBlank()).count();
  }

  private static boolean isName(String cell) {
    return cell.length() <= 100
        && Stream.of(ColumnType.values())
            .filter(type -> type != ColumnType.TEXT)
            .allMatch(type -> CellText.read(type, CellStyle.USUAL, cell).isEmpty());
  }
}
