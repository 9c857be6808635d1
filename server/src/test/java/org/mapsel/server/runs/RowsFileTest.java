package org.mapsel.server.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Rows as separated values. */
class RowsFileTest {

  @Test
  void valuesAreQuotedAndNothingIsTakenForAFormula() {
    assertThat(
            RowsFile.csv(
                List.of(
                    List.of("Vessel", "Draught (m)"),
                    List.of("Marrow \"Tern\", old", "-1.5"),
                    List.of("=HYPERLINK(1)", "@x"),
                    List.of("", "+44 20"))))
        .isEqualTo(
            "\uFEFFVessel,Draught (m)\r\n\"Marrow \"\"Tern\"\", old\",-1.5\r\n"
                + "'=HYPERLINK(1),'@x\r\n\"\",+44 20\r\n");
  }
}
