package org.mapsel.server.runs;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.mapsel.core.page.view.TakenRows;
import org.mapsel.core.value.NumberValue;

/** Rows as a visitor sees them, to take along. */
final class RowsFile {

  /** What begins like this is taken for a formula by programs for tables. */
  private static final String FORMULA_STARTS = "=+-@\t\r";

  /** Numbers of more digits than this are kept exactly only as texts. */
  private static final int EXACT_DIGITS = 15;

  /** The most that a cell of a workbook holds. */
  private static final int LONGEST_CELL = 32_767;

  private RowsFile() {}

  /**
   * Separated values (RFC 4180), with a mark for programs that would guess the encoding wrong. What
   * could be taken for a formula is made a text.
   */
  static String csv(TakenRows rows) {
    StringWriter text = new StringWriter();
    text.write('\uFEFF');
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      printer.printRecord(rows.labels().stream().map(RowsFile::harmless).toList());
      for (List<TakenRows.Cell> row : rows.rows()) {
        printer.printRecord(row.stream().map(cell -> harmless(cell.text())).toList());
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

  /** An Office Open XML workbook (ECMA-376) with one sheet; texts in it are never formulas. */
  static byte[] workbook(TakenRows rows) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (Workbook book = new Workbook(bytes, "Mapsel", "1.0")) {
      Worksheet sheet = book.newWorksheet("Rows");
      for (int column = 0; column < rows.labels().size(); column++) {
        sheet.value(0, column, cut(rows.labels().get(column)));
        sheet.style(0, column).bold().set();
      }
      sheet.freezePane(0, 1);
      for (int row = 0; row < rows.rows().size(); row++) {
        List<TakenRows.Cell> cells = rows.rows().get(row);
        for (int column = 0; column < cells.size(); column++) {
          put(sheet, row + 1, column, cells.get(column));
        }
      }
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    }
    return bytes.toByteArray();
  }

  private static void put(Worksheet sheet, int row, int column, TakenRows.Cell cell) {
    if (cell.value() instanceof NumberValue number && number.number().precision() <= EXACT_DIGITS) {
      sheet.value(row, column, number.number());
    } else if (!cell.text().isEmpty()) {
      sheet.value(row, column, cut(cell.text()));
    }
  }

  private static String cut(String text) {
    return text.length() > LONGEST_CELL ? text.substring(0, LONGEST_CELL) : text;
  }
}
