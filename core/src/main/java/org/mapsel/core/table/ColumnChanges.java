package org.mapsel.core.table;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mapsel.core.pairing.Grade;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;

/**
 * What became of the columns of an offered table in a new file. Columns are known by what stands
 * over them; one that is not there may be called otherwise now.
 *
 * @param renamed columns that look to be called otherwise
 * @param dropped columns that the file has no more
 * @param retyped columns whose cells look to hold something else
 * @param more what stands over columns of the file that are not offered
 */
public record ColumnChanges(
    List<Renamed> renamed, List<Column> dropped, List<Retyped> retyped, List<String> more) {

  /**
   * A column that is called otherwise.
   *
   * @param header what stands over it now
   * @param why it looks to be the same, in words
   */
  public record Renamed(Column column, String header, String why) {}

  /** A column whose cells look to be of another type. */
  public record Retyped(Column column, ColumnType type) {}

  /** More values than these tell no more. */
  public static final int MOST_VALUES = 200;

  public ColumnChanges {
    renamed = List.copyOf(renamed);
    dropped = List.copyOf(dropped);
    retyped = List.copyOf(retyped);
    more = List.copyOf(more);
  }

  /**
   * Compares a table with what was seen in a file.
   *
   * @param values what rows of the table hold now, by the names of its columns
   * @param follow whether columns that are not there are looked for under other names
   */
  public static ColumnChanges of(
      OfferedTable table, SheetScan scan, Map<String, List<String>> values, boolean follow) {
    Map<String, ColumnScan> seen = new HashMap<>();
    scan.columns().forEach(column -> seen.putIfAbsent(column.header(), column));
    if (scan.header() == 0) {
      return new ColumnChanges(List.of(), List.of(), List.of(), List.of());
    }
    List<Column> missing =
        table.columns().stream().filter(column -> !seen.containsKey(column.header())).toList();
    Set<String> offered = new HashSet<>(table.columns().stream().map(Column::header).toList());
    List<ColumnScan> unknown =
        scan.columns().stream()
            .filter(column -> !column.header().isEmpty() && !offered.contains(column.header()))
            .toList();
    List<Renamed> renamed =
        follow ? renamed(missing, unknown, values, table.style()) : List.<Renamed>of();
    Set<String> followed = new HashSet<>(renamed.stream().map(Renamed::header).toList());
    List<Column> found = renamed.stream().map(Renamed::column).toList();
    Map<Column, ColumnScan> now = new HashMap<>();
    renamed.forEach(one -> now.put(one.column(), seen.get(one.header())));
    table.columns().stream()
        .filter(column -> seen.containsKey(column.header()))
        .forEach(column -> now.put(column, seen.get(column.header())));
    return new ColumnChanges(
        renamed,
        missing.stream().filter(column -> !found.contains(column)).toList(),
        table.columns().stream()
            .filter(now::containsKey)
            .filter(column -> isOther(column, now.get(column).type()))
            .map(column -> new Retyped(column, now.get(column).type()))
            .toList(),
        unknown.stream()
            .map(ColumnScan::header)
            .filter(header -> !followed.contains(header))
            .toList());
  }

  /** Whole numbers are numbers, and everything is text. */
  private static boolean isOther(Column column, ColumnType type) {
    boolean number = column.type() == ColumnType.DECIMAL || column.type() == ColumnType.MONEY;
    return column.type() != type
        && column.type() != ColumnType.TEXT
        && !(number && (type == ColumnType.WHOLE || type == ColumnType.DECIMAL));
  }

  private static List<Renamed> renamed(
      List<Column> missing,
      List<ColumnScan> unknown,
      Map<String, List<String>> values,
      CellStyle style) {
    Map<FieldPath, Column> columns = new HashMap<>();
    List<PairingField> left = new ArrayList<>();
    for (Column column : missing) {
      PairingField field =
          field(
              left.size(),
              column.header(),
              column.type(),
              column.unit(),
              column.key(),
              values.getOrDefault(column.name(), List.of()));
      columns.put(field.path(), column);
      left.add(field);
    }
    Map<FieldPath, String> headers = new HashMap<>();
    List<PairingField> right = new ArrayList<>();
    for (ColumnScan scan : unknown) {
      PairingField field =
          field(
              right.size(),
              scan.header(),
              scan.type(),
              "",
              false,
              scan.seen(MOST_VALUES).stream().map(cell -> text(scan.type(), style, cell)).toList());
      headers.put(field.path(), scan.header());
      right.add(field);
    }
    List<Renamed> renamed = new ArrayList<>();
    for (Pairing.Pair pair : new Pairer(Lexicon.shipped()).pair(left, right).pairs()) {
      if (pair.grade() != Grade.GUESS) {
        renamed.add(
            new Renamed(
                columns.get(pair.left().path()),
                headers.get(pair.right().path()),
                String.join(", ", pair.reasons())));
      }
    }
    return renamed;
  }

  /** Known by its number: what stands over it may be any text. */
  private static PairingField field(
      int number, String header, ColumnType type, String unit, boolean key, List<String> values) {
    return new PairingField(
        FieldPath.of(String.valueOf(number)),
        List.of(header),
        "",
        "",
        scalar(type),
        Facets.NONE,
        unit,
        key,
        false,
        false,
        values);
  }

  private static String text(ColumnType type, CellStyle style, String cell) {
    return CellText.read(type, style, cell).map(ScalarText::print).orElse(cell.strip());
  }

  private static ScalarType scalar(ColumnType type) {
    return switch (type) {
      case TEXT -> ScalarType.TEXT;
      case WHOLE -> ScalarType.INTEGER;
      case DECIMAL, MONEY -> ScalarType.DECIMAL;
      case DATE -> ScalarType.DATE;
      case TIME -> ScalarType.TIME;
      case DATE_TIME -> ScalarType.DATE_TIME;
      case YES_NO -> ScalarType.BOOLEAN;
    };
  }

  /** The table with its columns under what stands over them now; their names stay. */
  public OfferedTable followed(OfferedTable table) {
    return table.with(
        table.columns().stream()
            .map(
                column ->
                    renamed.stream()
                        .filter(one -> one.column().equals(column))
                        .findFirst()
                        .map(one -> column.under(one.header()))
                        .orElse(column))
            .toList());
  }
}
