package org.mapsel.core.table;

import java.io.IOException;
import java.util.List;

/** A file of one or more tables, read row by row. */
public interface TableFile {

  /** Takes rows one after the other. */
  interface RowReader {

    /**
     * Takes one.
     *
     * @param number of the row in the file, from 1 on
     * @param cells as texts, in the forms of XML Schema where the file knows their types; those
     *     after the last one with something in it may be missing
     * @return whether to go on
     */
    boolean row(long number, List<String> cells);
  }

  /** What its tables are called; one of no name where the format has one only. */
  List<String> sheets();

  /**
   * Reads the rows of a table, empty ones too.
   *
   * @throws IOException if the file is broken there
   */
  void rows(String sheet, RowReader reader) throws IOException;
}
