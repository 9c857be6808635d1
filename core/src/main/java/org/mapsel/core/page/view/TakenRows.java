package org.mapsel.core.page.view;

import java.util.List;
import org.mapsel.core.value.Value;

/** Rows as a visitor sees them, to be taken along in a file. */
public record TakenRows(List<String> labels, List<List<Cell>> rows) {

  public TakenRows {
    labels = List.copyOf(labels);
    rows = List.copyOf(rows);
  }

  /**
   * A cell.
   *
   * @param text as it is read on the page
   * @param value what it is written from
   */
  public record Cell(String text, Value value) {}
}
