package org.mapsel.core.table;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.function.LongConsumer;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/** Workbooks of Office Open XML (ISO/IEC 29500-1, part SpreadsheetML), read as a stream. */
final class XlsxFormat implements TableFormat {

  private static final long MOST = 1L << 30;
  private static final long MOST_HELD = 100L << 20;

  @Override
  public boolean isCalledLike(String name) {
    return name.endsWith(".xlsx") || name.endsWith(".xlsm");
  }

  @Override
  public TableFile open(Path file, LongConsumer room) throws IOException {
    room.accept(Unpacked.check(file, MOST, MOST_HELD).held());
    try (ReadableWorkbook book = workbook(file)) {
      return new Xlsx(file, book.getSheets().map(Sheet::getName).toList());
    }
  }

  private static ReadableWorkbook workbook(Path file) throws IOException {
    try {
      return new ReadableWorkbook(file.toFile(), new ReadingOptions(true, false));
    } catch (ExcelReaderException e) {
      throw new IOException(e.getMessage(), e);
    }
  }

  private record Xlsx(Path file, List<String> sheets) implements TableFile {

    @Override
    public void rows(String sheet, RowReader reader) throws IOException {
      try (ReadableWorkbook book = workbook(file)) {
        Sheet found =
            book.findSheet(sheet).orElseThrow(() -> new IOException("it has no sheet " + sheet));
        try (Stream<Row> rows = found.openStream()) {
          Iterator<Row> each = rows.iterator();
          while (each.hasNext()) {
            Row row = each.next();
            if (!reader.row(row.getRowNum(), cells(row))) {
              return;
            }
          }
        }
      } catch (ExcelReaderException e) {
        throw new IOException(e.getMessage(), e);
      }
    }

    private static List<String> cells(Row row) {
      List<String> cells = new ArrayList<>();
      for (int i = 0; i < row.getCellCount(); i++) {
        cells.add(row.getOptionalCell(i).map(XlsxFormat::text).orElse(""));
      }
      return cells;
    }
  }

  private static String text(Cell cell) {
    return switch (cell.getType()) {
      case NUMBER ->
          isTime(cell) ? time(cell) : cell.asNumber().stripTrailingZeros().toPlainString();
      case BOOLEAN -> cell.asBoolean() ? "true" : "false";
      case FORMULA -> cell.getRawValue() == null ? "" : cell.getRawValue();
      case STRING, ERROR -> cell.getText() == null ? "" : cell.getText();
      case EMPTY -> "";
    };
  }

  /** Dates and times are numbers that a format shows as such. */
  private static boolean isTime(Cell cell) {
    String format = cell.getDataFormatString();
    if (format == null) {
      return false;
    }
    String plain = format.replaceAll("\"[^\"]*\"|\\[[^\\]]*]|\\\\.", "");
    return plain.matches("(?i).*[ydhs].*|(?i).*m.*m.*");
  }

  private static String time(Cell cell) {
    LocalDateTime at = cell.asDate();
    boolean noDay = cell.asNumber().signum() >= 0 && cell.asNumber().compareTo(BigDecimal.ONE) < 0;
    boolean noTime = at.toLocalTime().equals(LocalTime.MIDNIGHT);
    return noDay
        ? at.toLocalTime().truncatedTo(ChronoUnit.SECONDS).format(DateTimeFormatter.ISO_LOCAL_TIME)
        : noTime
            ? at.toLocalDate().toString()
            : at.truncatedTo(ChronoUnit.SECONDS).format(DateTimeFormatter.ISO_LOCAL_DATE_TIME);
  }
}
