package org.mapsel.server.tables;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.mapsel.core.page.Page;
import org.mapsel.core.serve.Refusal;
import org.mapsel.core.serve.RowQuery;
import org.mapsel.core.serve.TableRows;
import org.mapsel.core.table.Column;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.springframework.dao.DuplicateKeyException;

/** Rows as they are asked for and changed. */
final class RowsSql implements TableRows {

  private final DSLContext sql;
  private final Function<OfferedTable, Table<Record>> places;

  /** How one row of each table is asked for, by the table's name: the same words each time. */
  private final Map<String, String> reads = new ConcurrentHashMap<>();

  RowsSql(DSLContext sql, Function<OfferedTable, Table<Record>> places) {
    this.sql = sql;
    this.places = places;
  }

  static List<Field<?>> fields(OfferedTable table) {
    List<Field<?>> fields = new ArrayList<>(new RowSql(table).fields());
    fields.add(RowSql.VERSION);
    return fields;
  }

  static RecordValue row(OfferedTable table, Record kept) {
    Map<String, Value> row = new LinkedHashMap<>();
    for (int i = 0; i < table.columns().size(); i++) {
      row.put(table.columns().get(i).name(), RowSql.value(kept.get(i)));
    }
    row.put(OfferedTable.VERSION, NumberValue.of(kept.get(RowSql.VERSION)));
    return RecordValue.of(row);
  }

  @Override
  public RecordValue read(OfferedTable table, RecordValue key) {
    List<Field<?>> fields = fields(table);
    RowSql words = new RowSql(table);
    String read =
        reads.computeIfAbsent(
            table.name(),
            none -> sql.select(fields).from(places.apply(table)).where(words.key(key)).getSQL());
    Record found = sql.resultQuery(read, words.keyValues(key).toArray()).coerce(fields).fetchOne();
    if (found == null) {
      throw missing(table);
    }
    return row(table, found);
  }

  private Refusal missing(OfferedTable table) {
    return new Refusal(404, "There is no " + table.name() + " with this key.");
  }

  @Override
  public Page list(OfferedTable table, RowQuery query) {
    RowSql words = new RowSql(table);
    Condition wanted = words.condition(query.filter());
    List<RecordValue> rows =
        sql
            .select(fields(table))
            .from(places.apply(table))
            .where(wanted)
            .orderBy(words.order(query))
            .offset(query.skip())
            .limit(query.top())
            .stream()
            .map(kept -> row(table, kept))
            .toList();
    return new Page(rows, sql.fetchCount(places.apply(table), wanted));
  }

  private Map<Field<?>, Object> values(OfferedTable table, RecordValue given) {
    Map<Field<?>, Object> values = new LinkedHashMap<>();
    for (int i = 0; i < table.columns().size(); i++) {
      Column column = table.columns().get(i);
      Value value = given.get(column.name());
      if (!value.isAbsent()) {
        Object kept = RowSql.sql(column.type(), value);
        if (kept == null && column.required()) {
          throw new Refusal(400, column.label() + " needs a value.");
        }
        values.put(RowSql.field(column, i), kept);
      }
    }
    return values;
  }

  @Override
  public RecordValue create(OfferedTable table, RecordValue row) {
    for (Column column : table.columns()) {
      if ((column.key() || column.required()) && row.get(column.name()).isAbsent()) {
        throw new Refusal(400, column.label() + " needs a value.");
      }
    }
    try {
      return row(
          table,
          sql.insertInto(places.apply(table))
              .set(values(table, row))
              .returningResult(fields(table))
              .fetchSingle());
    } catch (DuplicateKeyException e) {
      throw new Refusal(409, "There is a " + table.name() + " with this key already.");
    }
  }

  @Override
  public RecordValue change(
      OfferedTable table, RecordValue key, RecordValue given, Optional<Long> version) {
    Map<Field<?>, Object> values = values(table, given);
    values.put(RowSql.VERSION, RowSql.VERSION.plus(1));
    Record changed =
        sql.update(places.apply(table))
            .set(values)
            .where(new RowSql(table).key(key).and(is(version)))
            .returningResult(fields(table))
            .fetchOne();
    if (changed == null) {
      throw stale(table, key);
    }
    return row(table, changed);
  }

  private static Condition is(Optional<Long> version) {
    return version.map(RowSql.VERSION::eq).orElse(DSL.noCondition());
  }

  /** Nothing was changed: the row is another one now, or not there at all. */
  private Refusal stale(OfferedTable table, RecordValue key) {
    read(table, key);
    return new Refusal(412, "The " + table.name() + " was changed since it was read.");
  }

  @Override
  public void delete(OfferedTable table, RecordValue key, Optional<Long> version) {
    int gone =
        sql.deleteFrom(places.apply(table))
            .where(new RowSql(table).key(key).and(is(version)))
            .execute();
    if (gone == 0) {
      throw stale(table, key);
    }
  }
}
