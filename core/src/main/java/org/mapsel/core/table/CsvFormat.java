package org.mapsel.core.table;

import java.io.FilterReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongConsumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.mapsel.core.document.CsvTable;

/** Comma-separated values (RFC 4180), and those with tabs, semicolons or bars between them. */
final class CsvFormat implements TableFormat {

  private static final int HEAD = 64 << 10;
  private static final Charset OLDER = Charset.forName("windows-1252");
  private static final char BYTE_ORDER_MARK = '\uFEFF';

  @Override
  public boolean isCalledLike(String name) {
    return name.endsWith(".csv") || name.endsWith(".tsv") || name.endsWith(".tab");
  }

  @Override
  public TableFile open(Path file, LongConsumer room) throws IOException {
    byte[] head;
    try (InputStream in = Files.newInputStream(file)) {
      head = in.readNBytes(HEAD);
    }
    Charset charset = charset(head);
    char delimiter = CsvTable.delimiter(new String(head, charset));
    return new Csv(
        file,
        charset,
        CSVFormat.DEFAULT.builder().setDelimiter(delimiter).setIgnoreEmptyLines(false).get());
  }

  private static Charset charset(byte[] head) {
    boolean wide =
        head.length > 1
            && (head[0] == (byte) 0xFE && head[1] == (byte) 0xFF
                || head[0] == (byte) 0xFF && head[1] == (byte) 0xFE);
    if (wide) {
      return StandardCharsets.UTF_16;
    }
    CharBuffer text = CharBuffer.allocate(head.length + 1);
    boolean broken =
        StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(head), text, false).isError();
    return broken ? OLDER : StandardCharsets.UTF_8;
  }

  private record Csv(Path file, Charset charset, CSVFormat format) implements TableFile {

    @Override
    public List<String> sheets() {
      return List.of("");
    }

    @Override
    public void rows(String sheet, RowReader reader) throws IOException {
      // Bytes that are no characters become the sign for such; they end up as wrong cells at most.
      try (LineLimit in =
              new LineLimit(new InputStreamReader(Files.newInputStream(file), charset));
          CSVParser parser = CSVParser.parse(in, format)) {
        for (CSVRecord line : parser) {
          in.lineRead();
          List<String> cells = line.toList();
          boolean marked =
              line.getRecordNumber() == 1 && cells.getFirst().indexOf(BYTE_ORDER_MARK) == 0;
          if (marked) {
            cells = new ArrayList<>(cells);
            cells.set(0, cells.getFirst().substring(1));
          }
          if (!reader.row(line.getRecordNumber(), cells)) {
            return;
          }
        }
      } catch (UncheckedIOException e) {
        throw e.getCause();
      }
    }
  }

  /** Ends with an error where a quotation mark that nobody closed makes one line of the rest. */
  private static final class LineLimit extends FilterReader {

    private static final int LONGEST = 4 << 20;
    private int read;

    LineLimit(Reader in) {
      super(in);
    }

    void lineRead() {
      read = 0;
    }

    @Override
    public int read(char[] buffer, int from, int length) throws IOException {
      int count = super.read(buffer, from, length);
      read += Math.max(0, count);
      if (read > LONGEST) {
        throw new IOException(
            "a line is longer than " + LONGEST + " characters; a quotation mark may be open");
      }
      return count;
    }
  }
}
