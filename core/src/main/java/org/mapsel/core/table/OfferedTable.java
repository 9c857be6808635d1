package org.mapsel.core.table;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A table that is offered.
 *
 * @param name of one row, in messages: letters and digits, {@code Berth}
 * @param several of several of them, {@code Berths}
 * @param sheet what it is called in the file; its only table if that has no names
 * @param style how its cells are written
 */
public record OfferedTable(
    String name,
    String several,
    String sheet,
    List<Column> columns,
    CellStyle style,
    Set<Change> changes) {

  /** What may be done to rows besides reading them. */
  public enum Change {
    CREATE,
    CHANGE,
    DELETE
  }

  /** The name of what tells whether a row was changed since it was read. */
  public static final String VERSION = "version";

  /** Names that no column may have, as messages use them for something else. */
  public static final Set<String> RESERVED =
      Set.of(VERSION, "orderBy", "skip", "top", "rows", "total", "etag", "count", "next");

  OfferedTable with(List<Column> others) {
    return new OfferedTable(name, several, sheet, others, style, changes);
  }

  /** The columns that tell rows from each other. */
  public List<Column> keys() {
    return columns.stream().filter(Column::key).toList();
  }

  /** The column of a name. */
  public Optional<Column> find(String column) {
    return columns.stream().filter(one -> one.name().equals(column)).findFirst();
  }

  public boolean may(Change change) {
    return changes.contains(change);
  }
}
