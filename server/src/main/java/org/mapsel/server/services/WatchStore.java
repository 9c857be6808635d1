package org.mapsel.server.services;

import static org.mapsel.server.schema.Tables.WATCHED;

import java.time.OffsetDateTime;
import java.util.List;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Services whose descriptions are read again now and then. */
@Repository
class WatchStore {

  /**
   * A service that is watched.
   *
   * @param edition the one that was read last
   * @param problem why it could not be read
   */
  record Kept(
      String service,
      int everyMinutes,
      @Nullable OffsetDateTime readAt,
      @Nullable String edition,
      @Nullable String problem) {}

  private final DSLContext sql;

  WatchStore(DSLContext sql) {
    this.sql = sql;
  }

  List<Kept> all() {
    return sql.selectFrom(WATCHED)
        .orderBy(WATCHED.SERVICE_ID)
        .fetch(
            kept ->
                new Kept(
                    kept.getServiceId(),
                    kept.getEveryMinutes(),
                    kept.getReadAt(),
                    kept.getEdition(),
                    kept.getProblem()));
  }

  /** Watches a service from now on, or no longer where the minutes are none. */
  void set(String service, int everyMinutes) {
    if (everyMinutes == 0) {
      sql.deleteFrom(WATCHED).where(WATCHED.SERVICE_ID.eq(service)).execute();
      return;
    }
    sql.insertInto(WATCHED)
        .set(WATCHED.SERVICE_ID, service)
        .set(WATCHED.EVERY_MINUTES, everyMinutes)
        .onConflict(WATCHED.SERVICE_ID)
        .doUpdate()
        .set(WATCHED.EVERY_MINUTES, everyMinutes)
        .execute();
  }

  void read(String service, OffsetDateTime at, @Nullable String edition, @Nullable String problem) {
    sql.update(WATCHED)
        .set(WATCHED.READ_AT, at)
        .set(WATCHED.EDITION, edition)
        .set(WATCHED.PROBLEM, problem)
        .where(WATCHED.SERVICE_ID.eq(service))
        .execute();
  }
}
