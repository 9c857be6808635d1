package org.mapsel.core.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.value.Value;

/**
 * What an offer would come to, as far as the first rows of a file tell.
 *
 * @param wrong the first wrong cells
 * @param wrongCells how many there are
 */
public record OfferCheck(List<WrongCell> wrong, long wrongCells) {

  private static final int ROWS = 20_000;
  private static final int LISTED = 100;

  /**
   * Reads the first rows of each table as it would be offered.
   *
   * @throws IOException if the file is broken
   */
  public static OfferCheck of(TableFile file, TableOffer offer) throws IOException {
    Found found = new Found();
    for (OfferedTable table : offer.tables()) {
      TypedRows.read(file, table, new Rows(table, found));
    }
    return new OfferCheck(List.copyOf(found.wrong), found.cells);
  }

  private static final class Found {
    private final List<WrongCell> wrong = new ArrayList<>();
    private long cells;

    void add(List<WrongCell> more) {
      cells += more.size();
      more.stream().limit(LISTED - (long) wrong.size()).forEach(wrong::add);
    }
  }

  private static final class Rows implements TypedRows.Sink {

    private final OfferedTable table;
    private final Found found;
    private final Set<List<String>> keys = new HashSet<>();
    private int rows;

    Rows(OfferedTable table, Found found) {
      this.table = table;
      this.found = found;
    }

    @Override
    public boolean row(long number, List<@Nullable Value> values) {
      List<String> key = new ArrayList<>();
      List<String> names = new ArrayList<>();
      for (int i = 0; i < values.size(); i++) {
        Value value = values.get(i);
        if (table.columns().get(i).key() && value != null) {
          key.add(ScalarText.print(value));
          names.add(table.columns().get(i).name());
        }
      }
      if (!key.isEmpty() && !keys.add(key)) {
        found.add(
            List.of(
                new WrongCell(
                    table.name(),
                    number,
                    String.join(", ", names),
                    String.join(", ", key),
                    WrongCell.Why.KEY)));
      }
      return ++rows < ROWS;
    }

    @Override
    public boolean wrong(List<WrongCell> cells) {
      found.add(cells);
      return ++rows < ROWS;
    }
  }
}
