package org.mapsel.server.checks;

import static org.mapsel.server.schema.Tables.CHECK_RUN;
import static org.mapsel.server.schema.Tables.SAMPLE;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.mapsel.server.checks.SampleViews.CheckRunView;
import org.springframework.stereotype.Repository;

/** When checks run by themselves, and what came of their runs. */
@Repository
class CheckRunStore {

  /** So many runs of each check are kept, and so many are told. */
  private static final int KEPT = 500;

  private static final int TOLD = 48;

  /** A check, by what tells it from others. */
  record Key(String service, String operation, String name) {}

  /**
   * A check that runs by itself.
   *
   * @param last when it ran last, if it did
   */
  record Scheduled(Key key, int everyMinutes, Optional<OffsetDateTime> last) {}

  private final DSLContext sql;

  CheckRunStore(DSLContext sql) {
    this.sql = sql;
  }

  /** Says how often a check runs by itself; nothing for never. */
  void schedule(Key key, Optional<Integer> everyMinutes) {
    sql.update(SAMPLE)
        .set(SAMPLE.EVERY_MINUTES, everyMinutes.orElse(null))
        .where(SAMPLE.SERVICE_ID.eq(key.service()))
        .and(SAMPLE.OPERATION.eq(key.operation()))
        .and(SAMPLE.NAME.eq(key.name()))
        .execute();
  }

  List<Scheduled> scheduled() {
    Field<OffsetDateTime> last =
        DSL.field(
            DSL.select(DSL.max(CHECK_RUN.AT))
                .from(CHECK_RUN)
                .where(CHECK_RUN.SERVICE_ID.eq(SAMPLE.SERVICE_ID))
                .and(CHECK_RUN.OPERATION.eq(SAMPLE.OPERATION))
                .and(CHECK_RUN.NAME.eq(SAMPLE.NAME)));
    return sql.select(SAMPLE.SERVICE_ID, SAMPLE.OPERATION, SAMPLE.NAME, SAMPLE.EVERY_MINUTES, last)
        .from(SAMPLE)
        .where(SAMPLE.EVERY_MINUTES.isNotNull())
        .and(SAMPLE.PINNED.isNotNull())
        .fetch(
            row ->
                new Scheduled(
                    new Key(row.value1(), row.value2(), row.value3()),
                    row.value4(),
                    Optional.ofNullable(row.value5())));
  }

  /** Keeps what came of a run; the oldest ones go. */
  void add(Key key, CheckRunView run) {
    sql.insertInto(CHECK_RUN)
        .set(CHECK_RUN.SERVICE_ID, key.service())
        .set(CHECK_RUN.OPERATION, key.operation())
        .set(CHECK_RUN.NAME, key.name())
        .set(CHECK_RUN.AT, run.at())
        .set(CHECK_RUN.HOLDS, run.holds())
        .set(CHECK_RUN.TOOK_MS, run.tookMillis())
        .execute();
    sql.deleteFrom(CHECK_RUN)
        .where(CHECK_RUN.SERVICE_ID.eq(key.service()))
        .and(CHECK_RUN.OPERATION.eq(key.operation()))
        .and(CHECK_RUN.NAME.eq(key.name()))
        .and(
            CHECK_RUN.ID.le(
                DSL.select(CHECK_RUN.ID)
                    .from(CHECK_RUN)
                    .where(CHECK_RUN.SERVICE_ID.eq(key.service()))
                    .and(CHECK_RUN.OPERATION.eq(key.operation()))
                    .and(CHECK_RUN.NAME.eq(key.name()))
                    .orderBy(CHECK_RUN.ID.desc())
                    .offset(KEPT)
                    .limit(1)))
        .execute();
  }

  /** The newest runs of every check, the oldest of them first. */
  Map<Key, List<CheckRunView>> newest() {
    Field<Integer> place =
        DSL.rowNumber()
            .over()
            .partitionBy(CHECK_RUN.SERVICE_ID, CHECK_RUN.OPERATION, CHECK_RUN.NAME)
            .orderBy(CHECK_RUN.ID.desc())
            .as("place");
    Table<?> runs = DSL.select(CHECK_RUN.fields()).select(place).from(CHECK_RUN).asTable("runs");
    return sql
        .selectFrom(runs)
        .where(runs.field(place).le(TOLD))
        .orderBy(runs.field(CHECK_RUN.ID))
        .stream()
        .collect(
            Collectors.groupingBy(
                row ->
                    new Key(
                        row.get(CHECK_RUN.SERVICE_ID),
                        row.get(CHECK_RUN.OPERATION),
                        row.get(CHECK_RUN.NAME)),
                Collectors.mapping(
                    row ->
                        new CheckRunView(
                            row.get(CHECK_RUN.AT),
                            row.get(CHECK_RUN.HOLDS),
                            row.get(CHECK_RUN.TOOK_MS)),
                    Collectors.toList())));
  }
}
