package org.mapsel.server.samples;

import static org.mapsel.server.schema.Tables.REPLAYED;

import java.util.HashSet;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Services that are answered for from samples. */
@Repository
class ReplayStore {

  private final DSLContext sql;

  ReplayStore(DSLContext sql) {
    this.sql = sql;
  }

  boolean is(String service) {
    return sql.fetchExists(REPLAYED, REPLAYED.SERVICE_ID.eq(service));
  }

  Set<String> all() {
    return new HashSet<>(sql.select(REPLAYED.SERVICE_ID).from(REPLAYED).fetch(REPLAYED.SERVICE_ID));
  }

  void set(String service, boolean on) {
    if (on) {
      sql.insertInto(REPLAYED).set(REPLAYED.SERVICE_ID, service).onConflictDoNothing().execute();
    } else {
      sql.deleteFrom(REPLAYED).where(REPLAYED.SERVICE_ID.eq(service)).execute();
    }
  }
}
