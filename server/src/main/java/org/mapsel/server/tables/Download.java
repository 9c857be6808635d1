package org.mapsel.server.tables;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.table.Column;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NullValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/** All rows of an offered table as a file: {@code Berths.csv} or {@code Berths.json}. */
final class Download {

  private static final Pattern NAME = Pattern.compile("/(\\w+)\\.(csv|json)");

  private final OfferedTable table;
  private final boolean csv;

  private Download(OfferedTable table, boolean csv) {
    this.table = table;
    this.csv = csv;
  }

  /** What is asked for by a path below the offer; nothing if it is no file. */
  static Optional<Download> of(TableOffer offer, String path) {
    Matcher matcher = NAME.matcher(path);
    return matcher.matches()
        ? offer.tables().stream()
            .filter(table -> table.several().equals(matcher.group(1)))
            .findFirst()
            .map(table -> new Download(table, matcher.group(2).equals("csv")))
        : Optional.empty();
  }

  OfferedTable table() {
    return table;
  }

  String type() {
    return csv ? "text/csv; charset=utf-8" : "application/json";
  }

  /**
   * Writes the rows as they come.
   *
   * @throws UncheckedIOException if nobody listens any more
   */
  void write(OutputStream out, Consumer<Consumer<RecordValue>> rows) throws IOException {
    if (csv) {
      csv(out, rows);
    } else {
      json(out, rows);
    }
  }

  /** RFC 4180. */
  private void csv(OutputStream out, Consumer<Consumer<RecordValue>> rows) throws IOException {
    Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
    CSVPrinter printer = new CSVPrinter(writer, CSVFormat.RFC4180);
    printer.printRecord(table.columns().stream().map(Column::header));
    rows.accept(
        row -> {
          try {
            printer.printRecord(
                table.columns().stream().map(column -> ScalarText.print(row.get(column.name()))));
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
        });
    printer.flush();
  }

  private void json(OutputStream out, Consumer<Consumer<RecordValue>> rows) {
    JsonGenerator json = new JsonMapper().createGenerator(out);
    json.writeStartArray();
    rows.accept(
        row -> {
          json.writeStartObject();
          for (Column column : table.columns()) {
            json.writeName(column.name());
            value(json, row.get(column.name()));
          }
          json.writeEndObject();
        });
    json.writeEndArray();
    json.flush();
  }

  private static void value(JsonGenerator json, Value value) {
    switch (value) {
      case NumberValue number -> json.writeNumber(number.number());
      case BooleanValue yes -> json.writeBoolean(yes.isTrue());
      case NullValue none -> json.writeNull();
      default -> json.writeString(ScalarText.print(value));
    }
  }
}
