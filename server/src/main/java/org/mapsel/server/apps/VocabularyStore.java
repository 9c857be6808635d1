package org.mapsel.server.apps;

import static org.mapsel.server.schema.Tables.LEARNED_WORD;

import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Words that mean the same in this workspace. */
@Repository
class VocabularyStore {

  /** More than these are no longer words of one trade; then nothing is learned any more. */
  private static final int MOST = 5_000;

  private final DSLContext sql;

  VocabularyStore(DSLContext sql) {
    this.sql = sql;
  }

  List<Set<String>> all() {
    return sql.selectFrom(LEARNED_WORD)
        .orderBy(LEARNED_WORD.ONE, LEARNED_WORD.OTHER)
        .fetch(word -> Set.of(word.getOne(), word.getOther()));
  }

  void add(Set<String> words) {
    List<String> sorted = words.stream().sorted().toList();
    if (sql.fetchCount(LEARNED_WORD) < MOST) {
      sql.insertInto(LEARNED_WORD)
          .set(LEARNED_WORD.ONE, sorted.getFirst())
          .set(LEARNED_WORD.OTHER, sorted.getLast())
          .onConflictDoNothing()
          .execute();
    }
  }

  void remove(Set<String> words) {
    List<String> sorted = words.stream().sorted().toList();
    sql.deleteFrom(LEARNED_WORD)
        .where(LEARNED_WORD.ONE.eq(sorted.getFirst()), LEARNED_WORD.OTHER.eq(sorted.getLast()))
        .execute();
  }
}
