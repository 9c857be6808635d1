package org.mapsel.server.apps;

import static org.mapsel.server.schema.Tables.FOLIO;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.mapsel.core.page.Folio;
import org.mapsel.server.web.Problem;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** The start page of the workspace, in all its arrangements. */
@Repository
class FolioStore {

  /** An arrangement; the first one has the number 1. */
  record Kept(long version, Folio folio) {}

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;

  FolioStore(DSLContext sql, JsonMapper json, Clock clock) {
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  /** The arrangement in force; nothing if nobody arranged anything. */
  Optional<Kept> newest() {
    return sql.selectFrom(FOLIO)
        .orderBy(FOLIO.VERSION.desc())
        .limit(1)
        .fetchOptional(
            row ->
                new Kept(
                    row.get(FOLIO.VERSION),
                    json.readValue(row.get(FOLIO.CONTENT).data(), Folio.class)));
  }

  /**
   * Keeps an arrangement.
   *
   * @param before the version that it was made from
   */
  void add(long before, Folio folio) {
    if (newest().map(Kept::version).orElse(0L) != before) {
      throw Problem.conflict("SERVER_START_CHANGED");
    }
    try {
      sql.insertInto(FOLIO)
          .set(FOLIO.VERSION, before + 1)
          .set(FOLIO.CONTENT, JSONB.valueOf(json.writeValueAsString(folio)))
          .set(FOLIO.MADE_AT, OffsetDateTime.now(clock))
          .execute();
    } catch (DuplicateKeyException e) {
      throw Problem.conflict("SERVER_START_CHANGED");
    }
  }

  /** Takes the last arrangement back. */
  void takeBack(long version) {
    sql.deleteFrom(FOLIO)
        .where(FOLIO.VERSION.eq(version))
        .and(FOLIO.VERSION.eq(sql.select(DSL.max(FOLIO.VERSION)).from(FOLIO)))
        .execute();
  }
}
