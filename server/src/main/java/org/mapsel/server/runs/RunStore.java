package org.mapsel.server.runs;

import static org.mapsel.server.schema.Tables.RUN;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.jooq.DSLContext;
import org.jooq.JSON;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
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
   */
  record Kept(
      String id,
      String app,
      String page,
      Optional<Long> release,
      boolean builder,
      Optional<String> previous,
      JsonNode state) {

    /** A run that was not begun yet. */
    static Kept fresh(
        String app,
        String page,
        Optional<Long> release,
        boolean builder,
        Optional<String> previous,
        JsonNode state) {
      return new Kept("", app, page, release, builder, previous, state);
    }
  }

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;

  RunStore(DSLContext sql, JsonMapper json, Clock clock) {
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  /** Begins a run, and ends those that were left. */
  Kept begin(Kept fresh) {
    String id = UUID.randomUUID().toString();
    OffsetDateTime now = OffsetDateTime.now(clock);
    sql.deleteFrom(RUN).where(RUN.TOUCHED_AT.lt(now.minus(LIFE))).execute();
    sql.insertInto(RUN)
        .set(RUN.ID, id)
        .set(RUN.APP_ID, fresh.app())
        .set(RUN.PAGE_ID, fresh.page())
        .set(RUN.RELEASE, fresh.release().orElse(null))
        .set(RUN.BUILDER, fresh.builder())
        .set(RUN.PREVIOUS, fresh.previous().orElse(null))
        .set(RUN.STATE, JSON.valueOf(fresh.state().toString()))
        .set(RUN.TOUCHED_AT, now)
        .execute();
    return new Kept(
        id,
        fresh.app(),
        fresh.page(),
        fresh.release(),
        fresh.builder(),
        fresh.previous(),
        fresh.state());
  }

  void remove(String id) {
    sql.deleteFrom(RUN).where(RUN.ID.eq(id)).execute();
  }

  Optional<Kept> find(String id) {
    return sql.selectFrom(RUN)
        .where(RUN.ID.eq(id))
        .fetchOptional(
            row ->
                new Kept(
                    row.get(RUN.ID),
                    row.get(RUN.APP_ID),
                    row.get(RUN.PAGE_ID),
                    Optional.ofNullable(row.get(RUN.RELEASE)),
                    row.get(RUN.BUILDER),
                    Optional.ofNullable(row.get(RUN.PREVIOUS)),
                    json.readTree(row.get(RUN.STATE).data())));
  }

  /**
   * Lets nobody else change the run until the end of the transaction.
   *
   * @return whether the run is there still
   */
  @Transactional
  boolean change(String id, UnaryOperator<JsonNode> change) {
    Optional<JSON> state =
        sql.select(RUN.STATE).from(RUN).where(RUN.ID.eq(id)).forUpdate().fetchOptional(RUN.STATE);
    state.ifPresent(
        before ->
            sql.update(RUN)
                .set(RUN.STATE, JSON.valueOf(change.apply(json.readTree(before.data())).toString()))
                .set(RUN.TOUCHED_AT, OffsetDateTime.now(clock))
                .where(RUN.ID.eq(id))
                .execute());
    return state.isPresent();
  }
}
