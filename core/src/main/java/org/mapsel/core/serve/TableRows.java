package org.mapsel.core.serve;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.value.RecordValue;

/** Keeps the rows of offered tables. What cannot be done is thrown as a {@link Refusal}. */
public interface TableRows {

  /**
   * Some rows of many.
   *
   * @param total how many there are in all that are like what was asked for
   */
  record Page(List<RecordValue> rows, long total) {}

  /**
   * A row, with its version.
   *
   * @param key a value for each key column
   */
  RecordValue read(OfferedTable table, RecordValue key);

  /** The rows that a query asks for. */
  Page list(OfferedTable table, RowQuery query);

  /** Adds a row and returns it as it is kept. */
  RecordValue create(OfferedTable table, RecordValue row);

  /**
   * Changes a row and returns it as it is kept.
   *
   * @param values those to be changed; null takes one out
   * @param version that the row must still have, if any is said
   */
  RecordValue change(
      OfferedTable table, RecordValue key, RecordValue values, Optional<Long> version);

  /** Takes a row away. */
  void delete(OfferedTable table, RecordValue key, Optional<Long> version);
}
