package org.mapsel.server.apps;

import static org.mapsel.server.schema.Tables.APP;
import static org.mapsel.server.schema.Tables.REVISION;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jooq.DSLContext;
import org.jooq.JSON;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.SelectOnConditionStep;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.App;
import org.mapsel.server.schema.tables.Revision;
import org.mapsel.server.services.Ids;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Apps and their revisions. A revision is never changed; undo and redo only move the head. */
@Repository
class AppStore {

  /**
   * An edit to keep.
   *
   * @param edit what was done, as it was asked for
   */
  record Change(String title, JsonNode edit, UnaryOperator<App> apply) {}

  /**
   * A revision. Another app may have the id of one that was removed, but not from the same time.
   */
  private record State(String app, long number, Instant madeAt) {}

  /** How many characters of apps are remembered as read, which takes some times as many bytes. */
  private static final long REMEMBERED = Runtime.getRuntime().maxMemory() / 100;

  /**
   * @param length of its text
   */
  private record Read(App app, int length) {}

  /** Apps by their states, which never change: most of what happens only looks at them. */
  private final Cache<State, Read> contents =
      Caffeine.newBuilder()
          .maximumWeight(REMEMBERED)
          .weigher((State state, Read read) -> read.length())
          .build();

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;

  AppStore(DSLContext sql, JsonMapper json, Clock clock) {
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  List<StoredApp> all() {
    return heads().orderBy(APP.CREATED_AT, APP.ID).fetch().map(this::kept);
  }

  Optional<StoredApp> find(String id) {
    return head(id).map(this::kept);
  }

  boolean exists(String id) {
    return sql.fetchExists(APP, APP.ID.eq(id));
  }

  private static final Revision NEXT = REVISION.as("next");
  private static final Revision LATER = REVISION.as("later");

  /** Any number that nobody else uses for a lock. */
  private static final long NAMING = 7_300_002;

  /** Keeps a new app, under an id like its name; two at once get two ids. */
  @Transactional
  StoredApp create(App app) {
    sql.execute("select pg_advisory_xact_lock(?)", NAMING);
    String id = Ids.of(app.name(), "app", this::exists);
    sql.insertInto(APP)
        .set(APP.ID, id)
        .set(APP.VERSION, 1L)
        .set(APP.HEAD, 1L)
        .set(APP.ISSUED, app.issued())
        .set(APP.CREATED_AT, OffsetDateTime.now(clock))
        .execute();
    add(id, 1, null, new Change("Start the app", json.nullNode(), made -> made), app);
    return get(id);
  }

  /** Adds a revision on top of the head, if the head is still the version that the edit is for. */
  @Transactional
  StoredApp change(String id, long version, Change change) {
    long issued = locked(id, version);
    Record head = head(id).orElseThrow(() -> missing(id));
    App changed = change.apply().apply(app(head).issued(issued));
    Long last =
        sql.select(DSL.max(REVISION.NUMBER))
            .from(REVISION)
            .where(REVISION.APP_ID.eq(id))
            .fetchSingle()
            .value1();
    add(id, last + 1, head.get(REVISION.NUMBER), change, changed);
    sql.update(APP).set(APP.ISSUED, changed.issued()).where(APP.ID.eq(id)).execute();
    moveHead(id, last + 1);
    return get(id);
  }

  @Transactional
  StoredApp undo(String id, long version) {
    locked(id, version);
    Long parent = head(id).orElseThrow(() -> missing(id)).get(REVISION.PARENT);
    if (parent == null) {
      throw Problem.conflict("SERVER_UNDO_NONE");
    }
    moveHead(id, parent);
    return get(id);
  }

  @Transactional
  StoredApp redo(String id, long version) {
    locked(id, version);
    Record head = head(id).orElseThrow(() -> missing(id));
    Long next = head.get(NEXT.NUMBER);
    if (next == null) {
      throw Problem.conflict("SERVER_REDO_NONE");
    }
    moveHead(id, next);
    return get(id);
  }

  void remove(String id) {
    sql.deleteFrom(APP).where(APP.ID.eq(id)).execute();
  }

  private StoredApp get(String id) {
    return find(id).orElseThrow(() -> missing(id));
  }

  private static Problem missing(String id) {
    return Problem.missing("SERVER_APP_MISSING", "app", id);
  }

  private void add(String id, long number, @Nullable Long parent, Change change, App app) {
    sql.insertInto(REVISION)
        .set(REVISION.APP_ID, id)
        .set(REVISION.NUMBER, number)
        .set(REVISION.PARENT, parent)
        .set(REVISION.TITLE, change.title())
        .set(REVISION.EDIT, JSON.valueOf(change.edit().toString()))
        .set(REVISION.CONTENT, JSONB.valueOf(AppContent.write(app)))
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

  /**
   * Holds the app against other writers until the end of the transaction. Only its own row is
   * locked: a joined one could be another by the time the lock is there.
   *
   * @return how many ids were given
   */
  private long locked(String id, long version) {
    Record app =
        sql.select(APP.VERSION, APP.ISSUED)
            .from(APP)
            .where(APP.ID.eq(id))
            .forUpdate()
            .fetchOptional()
            .orElseThrow(() -> missing(id));
    if (app.get(APP.VERSION) != version) {
      throw Problem.conflict("SERVER_APP_CHANGED");
    }
    return app.get(APP.ISSUED);
  }

  private Optional<? extends Record> head(String id) {
    return heads().where(APP.ID.eq(id)).fetchOptional();
  }

  /** The revisions that apps stand at, each with what redo goes to: the one made last on top. */
  private SelectOnConditionStep<? extends Record> heads() {
    return sql.select(
            APP.ID,
            APP.VERSION,
            REVISION.NUMBER,
            REVISION.PARENT,
            REVISION.TITLE,
            REVISION.MADE_AT,
            NEXT.NUMBER,
            NEXT.TITLE)
        .from(APP)
        .join(REVISION)
        .on(REVISION.APP_ID.eq(APP.ID).and(REVISION.NUMBER.eq(APP.HEAD)))
        .leftJoin(NEXT)
        .on(
            NEXT.APP_ID
                .eq(APP.ID)
                .and(
                    NEXT.NUMBER.eq(
                        DSL.field(
                            DSL.select(DSL.max(LATER.NUMBER))
                                .from(LATER)
                                .where(LATER.APP_ID.eq(APP.ID))
                                .and(LATER.PARENT.eq(APP.HEAD))))));
  }

  private StoredApp kept(Record head) {
    String id = head.get(APP.ID);
    boolean first = head.get(REVISION.PARENT) == null;
    return new StoredApp(
        id,
        head.get(APP.VERSION),
        app(head),
        head.get(REVISION.MADE_AT),
        first ? Optional.empty() : Optional.of(head.get(REVISION.TITLE)),
        Optional.ofNullable(head.get(NEXT.TITLE)));
  }

  private App app(Record head) {
    State state =
        new State(
            head.get(APP.ID), head.get(REVISION.NUMBER), head.get(REVISION.MADE_AT).toInstant());
    return contents.get(state, this::read).app();
  }

  private Read read(State state) {
    return sql.select(REVISION.CONTENT)
        .from(REVISION)
        .where(REVISION.APP_ID.eq(state.app()))
        .and(REVISION.NUMBER.eq(state.number()))
        .fetchSingle(
            row -> {
              String text = row.value1().data();
              return new Read(AppContent.read(json, text), text.length());
            });
  }
}
