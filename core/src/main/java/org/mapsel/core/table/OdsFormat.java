package org.mapsel.core.table;

import com.github.miachm.sods.NotAnOdsException;
import com.github.miachm.sods.OfficeCurrency;
import com.github.miachm.sods.OfficePercentage;
import com.github.miachm.sods.OperationNotSupportedException;
import com.github.miachm.sods.Sheet;
import com.github.miachm.sods.SpreadSheet;
import java.io.IOException;
import java.lang.ref.SoftReference;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongConsumer;
import org.jspecify.annotations.Nullable;

/** Spreadsheets of OpenDocument (ISO/IEC 26300-1, chapter 9), read as a whole. */
final class OdsFormat implements TableFormat {

  /** They are held in memory while they are read. */
  private static final long MOST = 100L << 20;

  @Override
  public boolean isCalledLike(String name) {
    return name.endsWith(".ods");
  }

  @Override
  public TableFile open(Path file, LongConsumer room) throws IOException {
    room.accept(Unpacked.check(file, MOST, MOST).all());
    return new Ods(file);
  }

  private static final class Ods implements TableFile {

    private final Path file;
    private final List<String> sheets;

    /** Where memory is wanted for something else it is given up, and read again. */
    private SoftReference<SpreadSheet> read = new SoftReference<>(null);

    Ods(Path file) throws IOException {
      this.file = file;
      this.sheets = book().getSheets().stream().map(Sheet::getName).toList();
    }

    private synchronized SpreadSheet book() throws IOException {
      SpreadSheet book = read.get();
      if (book == null) {
        try {
          book = new SpreadSheet(file.toFile());
        } catch (OperationNotSupportedException | NotAnOdsException e) {
          throw new IOException(e.getMessage(), e);
        }
        read = new SoftReference<>(book);
      }
      return book;
    }

    @Override
    public List<String> sheets() {
      return sheets;
    }

    @Override
    public void rows(String name, RowReader reader) throws IOException {
      Sheet sheet = book().getSheet(name);
      if (sheet == null) {
        throw new IOException("it has no sheet " + name);
      }
      int columns = sheet.getMaxColumns();
      for (int row = 0; row < sheet.getMaxRows(); row++) {
        List<String> cells = new ArrayList<>(columns);
        for (int column = 0; column < columns; column++) {
          cells.add(text(sheet.getRange(row, column).getValue()));
        }
        if (!reader.row(row + 1L, cells)) {
          return;
        }
      }
    }

    private static String text(@Nullable Object value) {
      return switch (value) {
        case null -> "";
        case Double number ->
            new BigDecimal(number.toString()).stripTrailingZeros().toPlainString();
        case OfficeCurrency money ->
            (money.getCurrency() == null ? "" : money.getCurrency().getCurrencyCode() + " ")
                + text(money.getValue());
        case OfficePercentage share -> text(share.getValue());
        case Duration time ->
            LocalTime.ofSecondOfDay(Math.floorMod(time.toSeconds(), 86_400))
                .format(DateTimeFormatter.ISO_LOCAL_TIME);
        default -> value.toString();
      };
    }
  }
}
