package org.mapsel.core.document;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/**
 * Comma-separated values (RFC 4180) whose first line names the columns. Semicolons, tabs and bars
 * between the values are known too: the one that the first line has most of counts.
 */
public record CsvTable(List<String> names, List<List<String>> rows) {

  private static final char[] DELIMITERS = {',', ';', '\t', '|'};
  private static final String BYTE_ORDER_MARK = "\uFEFF";

  /** Reads a text as a table; nothing if it is not even quoted as one should be. */
  public static Optional<CsvTable> read(String text) {
    String plain = text.startsWith(BYTE_ORDER_MARK) ? text.substring(1) : text;
    CSVFormat format = format(plain).setTrim(true).get();
    List<List<String>> lines = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
      for (CSVRecord line : parser) {
        lines.add(line.toList());
      }
    } catch (IOException | UncheckedIOException e) {
      return Optional.empty();
    }
    return lines.isEmpty()
        ? Optional.empty()
        : Optional.of(new CsvTable(lines.get(0), lines.subList(1, lines.size())));
  }

  /** The same columns with other rows. */
  public CsvTable withRows(List<List<String>> others) {
    return new CsvTable(names, others);
  }

  /** The table as text, with the delimiter and the line ends of another one. */
  public String write(String like) {
    CSVFormat format = format(like).setRecordSeparator(like.contains("\r\n") ? "\r\n" : "\n").get();
    StringBuilder out = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(out, format)) {
      printer.printRecord(names);
      printer.printRecords(rows);
    } catch (IOException e) {
      throw new UncheckedIOException("A text takes everything", e);
    }
    return out.toString();
  }

  private static CSVFormat.Builder format(String text) {
    return CSVFormat.DEFAULT.builder().setDelimiter(delimiter(text));
  }

  /** What most likely stands between the values: what its first line has most of. */
  public static char delimiter(String text) {
    String first = text.lines().findFirst().orElse("");
    char best = ',';
    long most = 0;
    for (char candidate : DELIMITERS) {
      long times = first.chars().filter(c -> c == candidate).count();
      if (times > most) {
        best = candidate;
        most = times;
      }
    }
    return best;
  }

  /** Whether it is surely meant as a table: several named columns, and every line has them all. */
  public boolean isRegular() {
    return names.size() > 1
        && !rows.isEmpty()
        && names.stream().noneMatch(String::isBlank)
        && new HashSet<>(names).size() == names.size()
        && rows.stream().allMatch(row -> row.size() == names.size());
  }
}
