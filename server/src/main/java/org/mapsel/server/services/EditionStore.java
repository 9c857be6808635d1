package org.mapsel.server.services;

import static org.mapsel.server.schema.Tables.DOCUMENT;
import static org.mapsel.server.schema.Tables.DOCUMENT_CONTENT;
import static org.mapsel.server.schema.Tables.EDITION;
import static org.mapsel.server.schema.Tables.REVISION;
import static org.mapsel.server.schema.Tables.SAMPLE;
import static org.mapsel.server.schema.Tables.SERVICE_EDITION;
import static org.mapsel.server.schema.Tables.WATCHED;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Set;
import org.apache.commons.codec.digest.DigestUtils;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.mapsel.core.document.SourceText;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The documents of editions. */
@Repository
class EditionStore {

  private final DSLContext sql;
  private final Clock clock;

  EditionStore(DSLContext sql, Clock clock) {
    this.sql = sql;
    this.clock = clock;
  }

  /** Keeps an edition; one that is there already stays as it is. */
  @Transactional
  void add(String id, List<SourceText> documents) {
    int added =
        sql.insertInto(EDITION)
            .set(EDITION.ID, id)
            .set(EDITION.READ_AT, OffsetDateTime.now(clock))
            .onConflictDoNothing()
            .execute();
    if (added == 0) {
      // Whoever reads it again may be about to take it.
      sql.update(EDITION)
          .set(EDITION.READ_AT, OffsetDateTime.now(clock))
          .where(EDITION.ID.eq(id))
          .execute();
      return;
    }
    for (int i = 0; i < documents.size(); i++) {
      String hash = DigestUtils.sha256Hex(documents.get(i).bytes());
      sql.insertInto(DOCUMENT_CONTENT)
          .set(DOCUMENT_CONTENT.HASH, hash)
          .set(DOCUMENT_CONTENT.CONTENT, documents.get(i).bytes())
          // Nobody takes it away before it is known to be needed again.
          .onConflict(DOCUMENT_CONTENT.HASH)
          .doUpdate()
          .set(DOCUMENT_CONTENT.HASH, hash)
          .execute();
      sql.insertInto(DOCUMENT)
          .set(DOCUMENT.EDITION_ID, id)
          .set(DOCUMENT.POSITION, i)
          .set(DOCUMENT.ADDRESS, documents.get(i).address())
          .set(DOCUMENT.HASH, hash)
          .execute();
    }
  }

  /**
   * Removes editions that were read before a time and that nothing has.
   *
   * @return those that went
   */
  @Transactional
  List<String> removeUnused(OffsetDateTime before) {
    List<String> idle =
        sql.select(EDITION.ID)
            .from(EDITION)
            .where(EDITION.READ_AT.lt(before))
            .andNotExists(
                DSL.selectOne()
                    .from(SERVICE_EDITION)
                    .where(SERVICE_EDITION.EDITION_ID.eq(EDITION.ID)))
            .andNotExists(DSL.selectOne().from(SAMPLE).where(SAMPLE.EDITION.eq(EDITION.ID)))
            .andNotExists(DSL.selectOne().from(WATCHED).where(WATCHED.EDITION.eq(EDITION.ID)))
            .fetch(EDITION.ID);
    if (idle.isEmpty()) {
      return idle;
    }
    Set<String> inApps = inApps();
    List<String> unused = idle.stream().filter(id -> !inApps.contains(id)).toList();
    sql.deleteFrom(EDITION).where(EDITION.ID.in(unused)).execute();
    sql.deleteFrom(DOCUMENT_CONTENT)
        .whereNotExists(
            DSL.selectOne().from(DOCUMENT).where(DOCUMENT.HASH.eq(DOCUMENT_CONTENT.HASH)))
        .execute();
    return unused;
  }

  /** Editions in any state that an app was ever in: it may be gone back to. */
  private Set<String> inApps() {
    Field<String> edition =
        DSL.field(
            "(regexp_matches({0}::text, {1}, 'g'))[1]",
            String.class, REVISION.CONTENT, DSL.inline("[0-9a-f]{64}"));
    return sql.selectDistinct(edition).from(REVISION).fetchSet(edition);
  }

  /** How many bytes its documents have; 0 if there is no such edition. */
  long size(String id) {
    Field<Integer> bytes = DSL.field("octet_length({0})", Integer.class, DOCUMENT_CONTENT.CONTENT);
    return sql.select(DSL.sum(bytes))
        .from(DOCUMENT)
        .join(DOCUMENT_CONTENT)
        .on(DOCUMENT_CONTENT.HASH.eq(DOCUMENT.HASH))
        .where(DOCUMENT.EDITION_ID.eq(id))
        .fetchOptional(0, Long.class)
        .orElse(0L);
  }

  /** The documents in the order in which they were read; none if there is no such edition. */
  List<SourceText> documents(String id) {
    return sql.select(DOCUMENT.ADDRESS, DOCUMENT_CONTENT.CONTENT)
        .from(DOCUMENT)
        .join(DOCUMENT_CONTENT)
        .on(DOCUMENT_CONTENT.HASH.eq(DOCUMENT.HASH))
        .where(DOCUMENT.EDITION_ID.eq(id))
        .orderBy(DOCUMENT.POSITION)
        .fetch(row -> new SourceText(row.value1(), row.value2()));
  }
}
