package org.mapsel.server.runs;

import static org.mapsel.server.schema.Tables.RUN;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSON;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Runs of pages. */
@Repository
class RunStore {

  /** A run that nobody has touched for so long is over. */
  private static final Duration LIFE = Duration.ofDays(1);

  /**
   * A run as it is kept.
   *
   * @param release the release of the app that it runs; nothing for the draft
   * @param previous the run that its page was opened from
   * @param at when its state became what it is
   * @param bytes how long that is, as text
   */
  record Kept(
      String id,
      String app,
      String page,
      Optional<Long> release,
      boolean builder,
      Optional<String> previous,
      OffsetDateTime at,
      long bytes) {}

  /**
   * A state that a run is in, or was.
   *
   * @param at when it became so; of one run no two states have the same
   * @param bytes how long it is, as text
   */
  record Version(OffsetDateTime at, long bytes) {}

  private static final Field<Integer> BYTES = DSL.octetLength(RUN.STATE.cast(SQLDataType.CLOB));

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;

  RunStore(DSLContext sql, JsonMapper json, Clock clock) {
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  /**
   * Begins a run, and ends those that were left.
   *
   * @param builder whether it belongs to somebody who builds
   */
  Kept begin(
      String app,
      String page,
      Optional<Long> release,
      boolean builder,
      Optional<String> previous,
      JsonNode state) {
    String id = UUID.randomUUID().toString();
    OffsetDateTime now = now();
    sql.deleteFrom(RUN).where(RUN.TOUCHED_AT.lt(now.minus(LIFE))).execute();
    String text = state.toString();
    sql.insertInto(RUN)
        .set(RUN.ID, id)
        .set(RUN.APP_ID, app)
        .set(RUN.PAGE_ID, page)
        .set(RUN.RELEASE, release.orElse(null))
        .set(RUN.BUILDER, builder)
        .set(RUN.PREVIOUS, previous.orElse(null))
        .set(RUN.STATE, JSON.valueOf(text))
        .set(RUN.TOUCHED_AT, now)
        .execute();
    return new Kept(id, app, page, release, builder, previous, now, text.length());
  }

  /** As exact as the database has it. */
  private OffsetDateTime now() {
    return OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS);
  }

  void remove(String id) {
    sql.deleteFrom(RUN).where(RUN.ID.eq(id)).execute();
  }

  Optional<Kept> find(String id) {
    return sql.select(
            RUN.APP_ID, RUN.PAGE_ID, RUN.RELEASE, RUN.BUILDER, RUN.PREVIOUS, RUN.TOUCHED_AT, BYTES)
        .from(RUN)
        .where(RUN.ID.eq(id))
        .fetchOptional(
            row ->
                new Kept(
                    id,
                    row.value1(),
                    row.value2(),
                    Optional.ofNullable(row.value3()),
                    row.value4(),
                    Optional.ofNullable(row.value5()),
                    row.value6(),
                    row.value7()));
  }

  /** The state of a run; nothing if there is none any more. */
  Optional<JsonNode> state(String id) {
    return sql.select(RUN.STATE)
        .from(RUN)
        .where(RUN.ID.eq(id))
        .fetchOptional(row -> json.readTree(row.value1().data()));
  }

  /** The state that a run is in now; nothing if there is none any more. */
  Optional<Version> version(String id) {
    return sql.select(RUN.TOUCHED_AT, BYTES)
        .from(RUN)
        .where(RUN.ID.eq(id))
        .fetchOptional(row -> new Version(row.value1(), row.value2()));
  }

  /**
   * Puts a state in the place of another.
   *
   * @return nothing, and nothing is changed, if the run is not in that one any more
   */
  Optional<Version> replace(String id, Version before, JsonNode state) {
    String text = state.toString();
    OffsetDateTime now = now();
    OffsetDateTime next = now.isAfter(before.at()) ? now : before.at().plus(1, ChronoUnit.MICROS);
    int changed =
        sql.update(RUN)
            .set(RUN.STATE, JSON.valueOf(text))
            .set(RUN.TOUCHED_AT, next)
            .where(RUN.ID.eq(id).and(RUN.TOUCHED_AT.eq(before.at())))
            .execute();
    return changed == 1 ? Optional.of(new Version(next, text.length())) : Optional.empty();
  }
}
