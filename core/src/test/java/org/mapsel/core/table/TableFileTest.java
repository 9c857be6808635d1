package org.mapsel.core.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.testing.BerthBook;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** Files of tables: what is in them, and what of it cannot be taken. */
class TableFileTest {

  @ParameterizedTest
  @ValueSource(strings = {"csv", "xlsx", "ods"})
  void recognisesTypesKeysUnitsAndCodes(String ending) {
    OfferedTable berths = BerthBook.proposal(BerthBook.open(ending)).tables().getFirst();

    assertThat(berths.columns())
        .extracting(Column::name, Column::type, Column::unit, Column::key)
        .containsExactly(
            tuple("code", ColumnType.TEXT, "", true),
            tuple("basin", ColumnType.TEXT, "", false),
            tuple("length", ColumnType.DECIMAL, "m", false),
            tuple("depth", ColumnType.DECIMAL, "m", false),
            tuple("crane", ColumnType.YES_NO, "", false),
            tuple("surveyed", ColumnType.DATE, "", false),
            tuple("dues", ColumnType.MONEY, "EUR", false),
            tuple("remarks", ColumnType.TEXT, "", false));
    assertThat(berths.columns().get(3).label()).isEqualTo("Depth");
  }

  @ParameterizedTest
  @ValueSource(strings = {"csv", "xlsx", "ods"})
  void listsEveryWrongCellWithItsPlace(String ending) throws IOException {
    TableFile file = BerthBook.open(ending);
    OfferedTable berths = BerthBook.proposal(file).tables().getFirst();
    List<WrongCell> wrong = new ArrayList<>();
    List<List<Value>> rows = new ArrayList<>();
    TypedRows.read(file, berths, sink(rows, wrong));

    int above = ending.equals("csv") ? 1 : 2;
    assertThat(wrong)
        .extracting(WrongCell::row, WrongCell::column, WrongCell::text, WrongCell::why)
        .containsExactly(
            tuple(9L + above, "depth", "unknown", WrongCell.Why.TYPE),
            tuple(15L + above, "surveyed", "in spring", WrongCell.Why.TYPE));
    assertThat(rows).hasSize(22);
    assertThat(rows.getFirst())
        .containsExactly(
            Value.text("N01"),
            Value.text("North"),
            NumberValue.of(85),
            new NumberValue(new BigDecimal("10.89")),
            BooleanValue.TRUE,
            new TimeValue(TimeValue.Kind.DATE, "2030-02-11"),
            new NumberValue(new BigDecimal(ending.equals("csv") ? "42.50" : "42.50")),
            null);
  }

  @Test
  void theFirstRowsTellOfKeysThatComeAgain() throws IOException {
    TableFile file = BerthBook.open("ods");

    assertThat(OfferCheck.of(file, BerthBook.proposal(file)).wrong().getLast())
        .isEqualTo(new WrongCell("Berth", 22, "code", "N01", WrongCell.Why.KEY));
  }

  @Test
  void findsWhatRefersToAnotherTable() {
    TableOffer offer = BerthBook.proposal(BerthBook.open("ods"));

    assertThat(offer.tables().getFirst().find("basin").orElseThrow().reference())
        .contains(new Column.Reference("Basin", "basin"));
    assertThat(offer.name()).isEqualTo("Berth book");
  }

  static List<Arguments> cells() {
    return List.of(
        arguments("1.234,50;1,5", ColumnType.DECIMAL, List.of("1234.50", "1.5")),
        arguments("1,234.50;7", ColumnType.DECIMAL, List.of("1234.50", "7")),
        arguments("007;012", ColumnType.TEXT, List.of("007", "012")),
        arguments("31.12.2030;1. 2. 2031", ColumnType.DATE, List.of("2030-12-31", "2031-02-01")),
        arguments("12/31/2030;1/2/2031", ColumnType.DATE, List.of("2030-12-31", "2031-01-02")),
        arguments("31/12/2030;1/2/2031", ColumnType.DATE, List.of("2030-12-31", "2031-02-01")),
        arguments(
            "2031-05-14 6:40;2031-05-14T06:40:10+02:00",
            ColumnType.DATE_TIME,
            List.of("2031-05-14T06:40:00Z", "2031-05-14T06:40:10+02:00")),
        arguments("6:40;23:59:01", ColumnType.TIME, List.of("06:40:00", "23:59:01")),
        arguments("€ 5;€ 1,250.75", ColumnType.MONEY, List.of("5", "1250.75")),
        arguments("yes;No", ColumnType.YES_NO, List.of("true", "false")),
        arguments("30/30/2030;1/2/2031", ColumnType.TEXT, List.of("30/30/2030", "1/2/2031")),
        arguments("1.2.3;4.5.6", ColumnType.TEXT, List.of("1.2.3", "4.5.6")));
  }

  @ParameterizedTest
  @MethodSource("cells")
  void readsCellsAsTheyAreWritten(String cells, ColumnType type, List<String> read)
      throws IOException {
    List<String> written = List.of(cells.split(";"));
    Path file = Files.createTempFile("cells", ".tsv");
    Files.writeString(
        file,
        "Key\tCell\n"
            + IntStream.range(0, written.size())
                .mapToObj(i -> "K" + i + "\t" + written.get(i))
                .collect(Collectors.joining("\n")));
    TableFile opened = TableFiles.open("cells.tsv", file, room -> {}).get();
    OfferedTable table = BerthBook.proposal(opened).tables().getFirst();
    List<List<Value>> rows = new ArrayList<>();
    TypedRows.read(opened, table, sink(rows, new ArrayList<>()));

    assertThat(table.columns().get(1).type()).isEqualTo(type);
    assertThat(rows).extracting(row -> ScalarText.print(row.get(1))).isEqualTo(read);
  }

  @Test
  void twoColumnsTogetherMayBeTheKey(@TempDir Path folder) throws IOException {
    Path file = folder.resolve("lots.csv");
    Files.writeString(file, "Row;Bay;Holds\nA;1;coils\nA;2;coils\nB;1;timber\nB;2;coils\n");

    OfferedTable table =
        BerthBook.proposal(TableFiles.open("lots.csv", file, room -> {}).get()).tables().getFirst();

    assertThat(table.keys()).extracting(Column::name).containsExactly("row", "bay");
  }

  @Test
  void openQuotationMarksAndOtherFilesAreToldOf(@TempDir Path folder) throws IOException {
    Path endless = folder.resolve("endless.csv");
    Files.writeString(endless, "Code,Name\nA,\"" + "x".repeat(5 << 20));
    TableFile file = TableFiles.open("endless.csv", endless, room -> {}).get();

    assertThatThrownBy(() -> SheetScan.of(file, ""))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("quotation mark");
    assertThat(TableFiles.open("endless.xlsx", endless, room -> {}).findings())
        .extracting(Finding::code)
        .containsExactly("TABLE_FILE_BROKEN");
    assertThat(TableFiles.open("endless.ods", endless, room -> {}).value()).isEmpty();
  }

  @Test
  void archivesThatUnpackToTooMuchOrDeclareTypesAreRefused(@TempDir Path folder)
      throws IOException {
    Path bomb = folder.resolve("bomb.xlsx");
    zip(bomb, "xl/sharedStrings.xml", new byte[101 << 20]);
    Path declaring = folder.resolve("declaring.ods");
    String document =
        "<?xml version='1.0'?><!DOCTYPE a [<!ENTITY b SYSTEM 'file:///etc/hosts'>]><a/>";
    zip(declaring, "content.xml", document.getBytes(StandardCharsets.UTF_16));

    assertThat(reason(TableFiles.open("bomb.xlsx", bomb, room -> {}))).contains("more than 100 MB");
    assertThat(reason(TableFiles.open("declaring.ods", declaring, room -> {})))
        .contains("type declaration");
  }

  @ParameterizedTest
  @CsvSource({"held.xlsx, 2097152", "held.ods, 2098176"})
  void whatIsHeldInMemoryIsToldBeforeItIs(String name, String bytes, @TempDir Path folder)
      throws IOException {
    Path file = folder.resolve(name);
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(file))) {
      out.putNextEntry(new ZipEntry("xl/sharedStrings.xml"));
      out.write(new byte[2 << 20]);
      out.putNextEntry(new ZipEntry("content.xml"));
      out.write(new byte[1024]);
    }

    assertThatThrownBy(
            () ->
                TableFiles.open(
                    name,
                    file,
                    room -> {
                      throw new IllegalStateException(String.valueOf(room));
                    }))
        .isInstanceOf(IllegalStateException.class)
        .hasMessage(bytes);
  }

  private static String reason(Outcome<TableFile> refused) {
    return refused.findings().getFirst().arguments().get("reason");
  }

  private static void zip(Path file, String name, byte[] content) throws IOException {
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(file))) {
      out.putNextEntry(new ZipEntry(name));
      out.write(content);
    }
  }

  private static TypedRows.Sink sink(List<List<Value>> rows, List<WrongCell> wrong) {
    return new TypedRows.Sink() {
      @Override
      public boolean row(long number, List<Value> values) {
        rows.add(values);
        return true;
      }

      @Override
      public boolean wrong(List<WrongCell> cells) {
        wrong.addAll(cells);
        return true;
      }
    };
  }
}
