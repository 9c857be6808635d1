package org.mapsel.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.util.List;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import org.mapsel.core.page.view.TakenRows;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Value;

class RowsFileTest {

  private static TakenRows.Cell text(String text) {
    return new TakenRows.Cell(text, Value.text(text));
  }

  private static TakenRows.Cell number(String text, String number) {
    return new TakenRows.Cell(text, new NumberValue(new BigDecimal(number)));
  }

  private static final TakenRows ROWS =
      new TakenRows(
          List.of("Name", "Change"),
          List.of(
              List.of(text("Marrow, \"the\" Tern"), number("-1.5", "-1.5")),
              List.of(text("=1+1"), number("1,234.5", "1234.5")),
              List.of(text("@mooring"), number("12345678901234567890", "12345678901234567890"))));

  @Test
  void cellsAreQuotedAndNoneIsTakenForAFormula() {
    assertThat(RowsFile.csv(ROWS))
        .isEqualTo(
            "\uFEFFName,Change\r\n\"Marrow, \"\"the\"\" Tern\",-1.5\r\n'=1+1,\"1,234.5\"\r\n"
                + "'@mooring,12345678901234567890\r\n");
  }

  @Test
  void aWorkbookHasNumbersThatCountAndTextsThatStayTexts() throws IOException {
    try (ReadableWorkbook book =
        new ReadableWorkbook(new ByteArrayInputStream(RowsFile.workbook(ROWS)))) {
      List<Row> rows = book.getFirstSheet().read();
      assertThat(rows.getFirst().getCellText(1)).isEqualTo("Change");
      Cell formula = rows.get(2).getCell(0);
      assertThat(formula.getType()).isEqualTo(CellType.STRING);
      assertThat(formula.getText()).isEqualTo("=1+1");
      assertThat(rows.get(2).getCell(1).asNumber()).isEqualByComparingTo("1234.5");
      assertThat(rows.get(3).getCell(1).getType())
          .as("too long to be kept exactly as a number")
          .isEqualTo(CellType.STRING);
    }
  }
}
