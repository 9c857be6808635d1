package org.mapsel.server.secrets;

import static org.mapsel.server.schema.Tables.KNOWN_FOR_A_WHILE;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The rows of what is known for a while; those whose time is over go when others come. */
@Repository
class KnownForAWhileStore {

  private final DSLContext sql;
  private final Clock clock;

  KnownForAWhileStore(DSLContext sql, Clock clock) {
    this.sql = sql;
    this.clock = clock;
  }

  Optional<byte[]> find(String key) {
    return sql.select(KNOWN_FOR_A_WHILE.CONTENT)
        .from(KNOWN_FOR_A_WHILE)
        .where(KNOWN_FOR_A_WHILE.KEY.eq(key), KNOWN_FOR_A_WHILE.UNTIL.gt(OffsetDateTime.now(clock)))
        .fetchOptional(KNOWN_FOR_A_WHILE.CONTENT);
  }

  void put(String key, byte[] content, Instant until) {
    OffsetDateTime end = until.atOffset(ZoneOffset.UTC);
    sql.deleteFrom(KNOWN_FOR_A_WHILE)
        .where(KNOWN_FOR_A_WHILE.UNTIL.le(OffsetDateTime.now(clock)))
        .execute();
    sql.insertInto(KNOWN_FOR_A_WHILE)
        .set(KNOWN_FOR_A_WHILE.KEY, key)
        .set(KNOWN_FOR_A_WHILE.CONTENT, content)
        .set(KNOWN_FOR_A_WHILE.UNTIL, end)
        .onConflict(KNOWN_FOR_A_WHILE.KEY)
        .doUpdate()
        .set(KNOWN_FOR_A_WHILE.CONTENT, content)
        .set(KNOWN_FOR_A_WHILE.UNTIL, end)
        .execute();
  }

  void remove(String key) {
    sql.deleteFrom(KNOWN_FOR_A_WHILE).where(KNOWN_FOR_A_WHILE.KEY.eq(key)).execute();
  }
}
