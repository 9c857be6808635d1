package org.mapsel.server.entry;

import static org.mapsel.server.schema.Tables.SIGNED_IN;
import static org.mapsel.server.schema.Tables.WORKSPACE_PASSWORD;

import java.time.OffsetDateTime;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The password of the workspace, and who signed in with it. */
@Repository
class EntryStore {

  private final DSLContext sql;

  EntryStore(DSLContext sql) {
    this.sql = sql;
  }

  /** The hash of the password; nothing where there is none. */
  Optional<String> password() {
    return sql.select(WORKSPACE_PASSWORD.HASH)
        .from(WORKSPACE_PASSWORD)
        .fetchOptional(WORKSPACE_PASSWORD.HASH);
  }

  /** Sets another password; whoever signed in with the one before has to do so again. */
  void password(String hash) {
    sql.transaction(
        change -> {
          forget(change.dsl());
          change.dsl().insertInto(WORKSPACE_PASSWORD).set(WORKSPACE_PASSWORD.HASH, hash).execute();
        });
  }

  void withoutPassword() {
    sql.transaction(change -> forget(change.dsl()));
  }

  private static void forget(DSLContext change) {
    change.deleteFrom(WORKSPACE_PASSWORD).execute();
    change.deleteFrom(SIGNED_IN).execute();
  }

  void signIn(String token, OffsetDateTime now, OffsetDateTime expires) {
    sql.deleteFrom(SIGNED_IN).where(SIGNED_IN.EXPIRES.lt(now)).execute();
    sql.insertInto(SIGNED_IN).set(SIGNED_IN.TOKEN, token).set(SIGNED_IN.EXPIRES, expires).execute();
  }

  boolean isSignedIn(String token, OffsetDateTime now) {
    return sql.fetchExists(SIGNED_IN, SIGNED_IN.TOKEN.eq(token), SIGNED_IN.EXPIRES.gt(now));
  }

  void signOut(String token) {
    sql.deleteFrom(SIGNED_IN).where(SIGNED_IN.TOKEN.eq(token)).execute();
  }
}
