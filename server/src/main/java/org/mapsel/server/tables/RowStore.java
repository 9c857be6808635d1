package org.mapsel.server.tables;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SQLDialect;
import org.jooq.Table;
import org.jooq.exception.DataAccessException;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.serve.TableRows;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Repository;

/** The rows of offered tables, each table's in one of the database's own, with real types. */
@Repository
class RowStore {

  private static final String SCHEMA = "offered";
  private static final int PIECE = 1_000;

  private final DSLContext sql;

  RowStore(DSLContext sql) {
    this.sql = sql;
  }

  private static Table<Record> at(String place) {
    return DSL.table(DSL.name(SCHEMA, place));
  }

  /** Makes the schema, and takes tables away that nothing refers to since a crash. */
  void tidy(Set<String> used) {
    sql.createSchemaIfNotExists(DSL.name(SCHEMA)).execute();
    sql
        .select(DSL.field("table_name", String.class))
        .from("information_schema.tables")
        .where(DSL.field("table_schema", String.class).eq(SCHEMA))
        .fetch(0, String.class)
        .stream()
        .filter(place -> !used.contains(place))
        .forEach(this::drop);
  }

  void drop(String place) {
    sql.dropTableIfExists(at(place)).cascade().execute();
  }

  /**
   * Fills a new table from a file; it is there as a whole, or not at all.
   *
   * @param reader gives the rows to a sink
   * @throws IOException if the file is broken
   */
  void load(String place, OfferedTable table, RowSource reader) throws IOException {
    try {
      sql.connection(
          connection -> {
            boolean auto = connection.getAutoCommit();
            connection.setAutoCommit(false);
            try {
              load(connection, place, table, reader);
              connection.commit();
            } catch (SQLException | IOException | RuntimeException e) {
              connection.rollback();
              throw e;
            } finally {
              connection.setAutoCommit(auto);
            }
          });
    } catch (DataAccessException e) {
      if (e.getCause() instanceof IOException broken) {
        throw broken;
      }
      throw e;
    }
  }

  /** Gives the rows of a file one after the other. */
  interface RowSource {
    void read(RowSink sink) throws IOException;
  }

  /** Takes rows. */
  interface RowSink {
    void row(long number, List<@Nullable Value> values);
  }

  private static void load(
      Connection connection, String place, OfferedTable table, RowSource reader)
      throws SQLException, IOException {
    DSLContext inside = DSL.using(connection, SQLDialect.POSTGRES);
    List<Field<?>> columns = new ArrayList<>(List.of(RowSql.NUMBER, RowSql.VERSION));
    columns.addAll(new RowSql(table).fields());
    inside.createTable(at(place)).columns(columns).execute();
    String copied =
        columns.stream()
            .filter(field -> field != RowSql.VERSION)
            .map(Field::getName)
            .collect(Collectors.joining(", "));
    inside.execute("alter table " + SCHEMA + "." + place + " alter row_version set default 1");
    CopyIn copy =
        connection
            .unwrap(PGConnection.class)
            .getCopyAPI()
            .copyIn("copy " + SCHEMA + "." + place + " (" + copied + ") from stdin");
    CopySql text = new CopySql(copy);
    try {
      reader.read(text::row);
      text.flush();
      copy.endCopy();
    } finally {
      if (copy.isActive()) {
        copy.cancelCopy();
      }
    }
  }

  /** The numbers of rows that have the key of an earlier one. */
  List<Long> again(String place, OfferedTable table, int most) {
    Field<Integer> time =
        DSL.rowNumber().over().partitionBy(keys(table)).orderBy(RowSql.NUMBER).as("time");
    Table<?> counted = DSL.select(RowSql.NUMBER, time).from(at(place)).asTable("counted");
    return sql.select(counted.field(RowSql.NUMBER))
        .from(counted)
        .where(counted.field(time).gt(1))
        .orderBy(1)
        .limit(most)
        .fetch(0, Long.class);
  }

  /** Takes rows away that have the key of an earlier one. */
  void dropAgain(String place, OfferedTable table) {
    Field<Integer> time =
        DSL.rowNumber().over().partitionBy(keys(table)).orderBy(RowSql.NUMBER).as("time");
    Table<?> counted = DSL.select(RowSql.NUMBER, time).from(at(place)).asTable("counted");
    sql.deleteFrom(at(place))
        .where(
            RowSql.NUMBER.in(
                DSL.select(counted.field(RowSql.NUMBER))
                    .from(counted)
                    .where(counted.field(time).gt(1))))
        .execute();
  }

  /** Makes the key one; false if two rows have the same. */
  boolean key(String place, OfferedTable table) {
    try {
      sql.alterTable(at(place)).add(DSL.primaryKey(keys(table))).execute();
      return true;
    } catch (DuplicateKeyException e) {
      return false;
    }
  }

  /** Gives rows to come their numbers. */
  void finish(String place) {
    sql.createIndex().on(at(place), RowSql.NUMBER).execute();
    sql.execute(
        "alter table offered."
            + place
            + " alter row_number set default (extract(epoch from clock_timestamp()) * 1000000)::bigint");
  }

  private static List<Field<?>> keys(OfferedTable table) {
    List<Field<?>> keys = new ArrayList<>();
    for (int i = 0; i < table.columns().size(); i++) {
      if (table.columns().get(i).key()) {
        keys.add(RowSql.field(table.columns().get(i), i));
      }
    }
    return keys;
  }

  /** Goes through all rows in their order, however many there are. */
  void each(String place, OfferedTable table, Consumer<RecordValue> reader) {
    // The database hands rows over piece by piece only inside a transaction.
    sql.transaction(
        inside -> {
          List<Field<?>> fields = RowsSql.fields(table);
          try (Stream<Record> rows =
              DSL
                  .using(inside)
                  .select(fields)
                  .from(at(place))
                  .orderBy(RowSql.NUMBER)
                  .fetchSize(PIECE)
                  .stream()
                  .map(Record.class::cast)) {
            rows.forEach(row -> reader.accept(RowsSql.row(table, row)));
          }
        });
  }

  long count(String place) {
    return sql.fetchCount(at(place));
  }

  /** How rows of a table differ from those that are to come in their place. */
  record Difference(long added, long changed, long gone) {}

  /** Compares two tables of the same columns by their keys. */
  Difference difference(String before, String after, OfferedTable table) {
    Table<?> old = at(before).as("old");
    Table<?> fresh = at(after).as("fresh");
    Condition same = DSL.trueCondition();
    Condition changed = DSL.falseCondition();
    for (int i = 0; i < table.columns().size(); i++) {
      Field<Object> one = DSL.field(DSL.name("old", RowSql.name(i)), Object.class);
      Field<Object> other = DSL.field(DSL.name("fresh", RowSql.name(i)), Object.class);
      if (table.columns().get(i).key()) {
        same = same.and(one.eq(other));
      } else {
        changed = changed.or(one.isDistinctFrom(other));
      }
    }
    long both = sql.fetchCount(sql.selectOne().from(old).join(fresh).on(same));
    long different = sql.fetchCount(sql.selectOne().from(old).join(fresh).on(same).where(changed));
    return new Difference(count(after) - both, different, count(before) - both);
  }

  /** The rows of the tables of an offer. */
  TableRows rows(Function<OfferedTable, String> places) {
    return new RowsSql(sql, table -> at(places.apply(table)));
  }
}
