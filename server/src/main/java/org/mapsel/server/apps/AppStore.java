package org.mapsel.server.apps;

import static org.mapsel.server.schema.Tables.APP;
import static org.mapsel.server.schema.Tables.REVISION;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.App;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Apps and their revisions. A revision is never changed; undo and redo only move the head. */
@Repository
class AppStore {

  /** An edit to keep: its title and what it makes of the app. */
  record Change(String title, UnaryOperator<App> apply) {}

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;

  AppStore(DSLContext sql, JsonMapper json, Clock clock) {
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  List<KeptApp> all() {
    return sql.select(APP.ID).from(APP).orderBy(APP.CREATED_AT, APP.ID).fetch(APP.ID).stream()
        .flatMap(id -> find(id).stream())
        .toList();
  }

  Optional<KeptApp> find(String id) {
    return head(id, false).map(this::kept);
  }

  boolean exists(String id) {
    return sql.fetchExists(APP, APP.ID.eq(id));
  }

  @Transactional
  KeptApp create(String id, App app) {
    sql.insertInto(APP)
        .set(APP.ID, id)
        .set(APP.VERSION, 1L)
        .set(APP.HEAD, 1L)
        .set(APP.CREATED_AT, OffsetDateTime.now(clock))
        .execute();
    add(id, 1, null, "Start the app", app);
    return get(id);
  }

  /** Adds a revision on top of the head, if the head is still the version that the edit is for. */
  @Transactional
  KeptApp change(String id, long version, Change change) {
    Record head = locked(id, version);
    App changed = change.apply().apply(app(head));
    Long last =
        sql.select(DSL.max(REVISION.NUMBER))
            .from(REVISION)
            .where(REVISION.APP_ID.eq(id))
            .fetchSingle()
            .value1();
    add(id, last + 1, head.get(REVISION.NUMBER), change.title(), changed);
    moveHead(id, last + 1);
    return get(id);
  }

  @Transactional
  KeptApp undo(String id, long version) {
    Record head = locked(id, version);
    Long parent = head.get(REVISION.PARENT);
    if (parent == null) {
      throw Problem.conflict("SERVER_UNDO_NONE");
    }
    moveHead(id, parent);
    return get(id);
  }

  @Transactional
  KeptApp redo(String id, long version) {
    Record head = locked(id, version);
    Record next =
        newestChild(id, head.get(REVISION.NUMBER))
            .orElseThrow(() -> Problem.conflict("SERVER_REDO_NONE"));
    moveHead(id, next.get(REVISION.NUMBER));
    return get(id);
  }

  void remove(String id) {
    sql.deleteFrom(APP).where(APP.ID.eq(id)).execute();
  }

  private KeptApp get(String id) {
    return find(id).orElseThrow(() -> missing(id));
  }

  private static Problem missing(String id) {
    return Problem.missing("SERVER_APP_MISSING", "app", id);
  }

  private void add(String id, long number, @Nullable Long parent, String title, App app) {
    sql.insertInto(REVISION)
        .set(REVISION.APP_ID, id)
        .set(REVISION.NUMBER, number)
        .set(REVISION.PARENT, parent)
        .set(REVISION.TITLE, title)
        .set(REVISION.CONTENT, JSONB.valueOf(json.writeValueAsString(app)))
        .set(REVISION.MADE_AT, OffsetDateTime.now(clock))
        .execute();
  }

  private void moveHead(String id, long number) {
    sql.update(APP)
        .set(APP.HEAD, number)
        .set(APP.VERSION, APP.VERSION.plus(1))
        .where(APP.ID.eq(id))
        .execute();
  }

  /** The head, held against other writers until the end of the transaction. */
  private Record locked(String id, long version) {
    Record head = head(id, true).orElseThrow(() -> missing(id));
    if (head.get(APP.VERSION) != version) {
      throw Problem.conflict("SERVER_APP_CHANGED");
    }
    return head;
  }

  private Optional<Record> head(String id, boolean lock) {
    var query =
        sql.select()
            .from(APP)
            .join(REVISION)
            .on(REVISION.APP_ID.eq(APP.ID).and(REVISION.NUMBER.eq(APP.HEAD)))
            .where(APP.ID.eq(id));
    return lock ? query.forUpdate().of(APP).fetchOptional() : query.fetchOptional();
  }

  private KeptApp kept(Record head) {
    String id = head.get(APP.ID);
    boolean first = head.get(REVISION.PARENT) == null;
    return new KeptApp(
        id,
        head.get(APP.VERSION),
        app(head),
        first ? Optional.empty() : Optional.of(head.get(REVISION.TITLE)),
        newestChild(id, head.get(REVISION.NUMBER)).map(row -> row.get(REVISION.TITLE)));
  }

  /** What redo goes to: the revision made last on top of this one. */
  private Optional<Record> newestChild(String id, long number) {
    return sql.select()
        .from(REVISION)
        .where(REVISION.APP_ID.eq(id))
        .and(REVISION.PARENT.eq(number))
        .orderBy(REVISION.NUMBER.desc())
        .limit(1)
        .fetchOptional();
  }

  private App app(Record row) {
    return json.readValue(row.get(REVISION.CONTENT).data(), App.class);
  }
}
