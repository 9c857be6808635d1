package org.mapsel.server.services;

import static org.mapsel.server.schema.Tables.DOCUMENT;
import static org.mapsel.server.schema.Tables.EDITION;

import java.util.List;
import org.jooq.DSLContext;
import org.mapsel.core.document.SourceText;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The documents of editions. */
@Repository
class EditionStore {

  private final DSLContext sql;

  EditionStore(DSLContext sql) {
    this.sql = sql;
  }

  /** Keeps an edition; one that is there already stays as it is. */
  @Transactional
  void add(String id, List<SourceText> documents) {
    int added = sql.insertInto(EDITION).set(EDITION.ID, id).onConflictDoNothing().execute();
    if (added == 0) {
      return;
    }
    for (int i = 0; i < documents.size(); i++) {
      sql.insertInto(DOCUMENT)
          .set(DOCUMENT.EDITION_ID, id)
          .set(DOCUMENT.POSITION, i)
          .set(DOCUMENT.ADDRESS, documents.get(i).address())
          .set(DOCUMENT.CONTENT, documents.get(i).bytes())
          .execute();
    }
  }

  /** The documents in the order in which they were read; none if there is no such edition. */
  List<SourceText> documents(String id) {
    return sql.select(DOCUMENT.ADDRESS, DOCUMENT.CONTENT)
        .from(DOCUMENT)
        .where(DOCUMENT.EDITION_ID.eq(id))
        .orderBy(DOCUMENT.POSITION)
        .fetch(row -> new SourceText(row.value1(), row.value2()));
  }
}
