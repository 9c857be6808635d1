package org.mapsel.core.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.mapsel.core.page.Page;
import org.mapsel.core.serve.Refusal;
import org.mapsel.core.serve.RowQuery;
import org.mapsel.core.serve.TableRows;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableFile;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.table.TypedRows;
import org.mapsel.core.table.WrongCell;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Rows of offered tables in memory. */
public final class MemoryRows implements TableRows {

  private final Map<String, Map<List<String>, RecordValue>> tables = new HashMap<>();

  /** All rows of a file whose cells are right. */
  public static MemoryRows of(TableFile file, TableOffer offer) {
    MemoryRows rows = new MemoryRows();
    for (OfferedTable table : offer.tables()) {
      try {
        TypedRows.read(file, table, rows.sink(table));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    return rows;
  }

  private TypedRows.Sink sink(OfferedTable table) {
    return new TypedRows.Sink() {
      @Override
      public boolean row(long number, List<Value> values) {
        Map<String, Value> row = new LinkedHashMap<>();
        for (int i = 0; i < values.size(); i++) {
          row.put(
              table.columns().get(i).name(), Objects.requireNonNullElse(values.get(i), Value.NULL));
        }
        RecordValue kept = RecordValue.of(row).with(OfferedTable.VERSION, NumberValue.of(1));
        rows(table).putIfAbsent(key(table, kept), kept);
        return true;
      }

      @Override
      public boolean wrong(List<WrongCell> cells) {
        return true;
      }
    };
  }

  private Map<List<String>, RecordValue> rows(OfferedTable table) {
    return tables.computeIfAbsent(table.name(), none -> new LinkedHashMap<>());
  }

  private static List<String> key(OfferedTable table, RecordValue row) {
    return table.keys().stream().map(key -> ScalarText.print(row.get(key.name()))).toList();
  }

  @Override
  public RecordValue read(OfferedTable table, RecordValue key) {
    RecordValue row = rows(table).get(key(table, key));
    if (row == null) {
      throw new Refusal(404, "There is no " + table.name() + " with this key.");
    }
    return row;
  }

  @Override
  public Page list(OfferedTable table, RowQuery query) {
    List<RecordValue> matching = query.matching(List.copyOf(rows(table).values()));
    return new Page(query.page(matching), matching.size());
  }

  @Override
  public RecordValue create(OfferedTable table, RecordValue row) {
    RecordValue kept = row.with(OfferedTable.VERSION, NumberValue.of(1));
    if (rows(table).putIfAbsent(key(table, row), kept) != null) {
      throw new Refusal(409, "There is a " + table.name() + " with this key already.");
    }
    return kept;
  }

  @Override
  public RecordValue change(
      OfferedTable table, RecordValue key, RecordValue values, Optional<Long> version) {
    RecordValue row = unchanged(table, key, version);
    for (String name : values.names()) {
      row = row.with(name, values.get(name));
    }
    row = row.with(OfferedTable.VERSION, NumberValue.of(version(row) + 1));
    rows(table).put(key(table, key), row);
    return row;
  }

  @Override
  public void delete(OfferedTable table, RecordValue key, Optional<Long> version) {
    unchanged(table, key, version);
    rows(table).remove(key(table, key));
  }

  private RecordValue unchanged(OfferedTable table, RecordValue key, Optional<Long> version) {
    RecordValue row = read(table, key);
    if (version.isPresent() && version.get() != version(row)) {
      throw new Refusal(412, "It was changed since it was read.");
    }
    return row;
  }

  private static long version(RecordValue row) {
    return ((NumberValue) row.get(OfferedTable.VERSION)).number().longValue();
  }
}
