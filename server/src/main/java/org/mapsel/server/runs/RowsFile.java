package org.mapsel.server.runs;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Rows as a visitor sees them, to take along. */
final class RowsFile {

  /** What begins like this is taken for a formula by programs for tables. */
  private static final String FORMULA_STARTS = "=+-@\t\r";

  private RowsFile() {}

  /**
   * Separated values (RFC 4180), with a mark for programs that would guess the encoding wrong. What
   * could be taken for a formula is made a text.
   */
  static String csv(List<List<String>> lines) {
    StringWriter text = new StringWriter();
    text.write('\uFEFF');
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      for (List<String> line : lines) {
        printer.printRecord(line.stream().map(RowsFile::harmless).toList());
      }
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    }
    return text.toString();
  }

  private static String harmless(String cell) {
    boolean number = cell.matches("[-+]?[0-9][0-9.,\u00a0 ]*");
    return cell.isEmpty() || number || FORMULA_STARTS.indexOf(cell.charAt(0)) < 0
        ? cell
        : "'" + cell;
  }
}
