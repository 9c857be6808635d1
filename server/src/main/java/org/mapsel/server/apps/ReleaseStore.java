package org.mapsel.server.apps;

import static org.mapsel.server.schema.Tables.APP;
import static org.mapsel.server.schema.Tables.RELEASE;
import static org.mapsel.server.schema.Tables.REVISION;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.mapsel.core.page.App;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Releases: revisions that were handed over. None is ever changed. */
@Repository
class ReleaseStore {

  /** A release without what is in it. */
  record Line(
      long number,
      long revision,
      String note,
      String author,
      OffsetDateTime madeAt,
      Map<String, String> environments) {}

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;

  ReleaseStore(DSLContext sql, JsonMapper json, Clock clock) {
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  /** The releases of an app, the newest first. */
  List<Line> all(String app) {
    return sql.selectFrom(RELEASE)
        .where(RELEASE.APP_ID.eq(app))
        .orderBy(RELEASE.NUMBER.desc())
        .fetch(
            row ->
                new Line(
                    row.get(RELEASE.NUMBER),
                    row.get(RELEASE.REVISION),
                    row.get(RELEASE.NOTE),
                    row.get(RELEASE.AUTHOR),
                    row.get(RELEASE.MADE_AT),
                    environments(row.get(RELEASE.ENVIRONMENTS))));
  }

  /** The release that visitors see. */
  Optional<Long> current(String app) {
    return sql.select(APP.RELEASED).from(APP).where(APP.ID.eq(app)).fetchOptional(APP.RELEASED);
  }

  /**
   * An app as it was released.
   *
   * @param environments where it calls its services, by service
   * @param length of its text
   */
  record Released(App app, Map<String, String> environments, int length) {}

  Optional<Released> find(String app, long number) {
    return sql.select(REVISION.CONTENT, RELEASE.ENVIRONMENTS)
        .from(RELEASE)
        .join(REVISION)
        .on(REVISION.APP_ID.eq(RELEASE.APP_ID).and(REVISION.NUMBER.eq(RELEASE.REVISION)))
        .where(RELEASE.APP_ID.eq(app))
        .and(RELEASE.NUMBER.eq(number))
        .fetchOptional(
            row ->
                new Released(
                    AppContent.read(json, row.value1().data()),
                    environments(row.value2()),
                    row.value1().data().length()));
  }

  /** A release of an app. */
  record Named(String app, long number) {}

  /** The releases that call a service in an environment. */
  List<Named> calling(String service, String environment) {
    return sql.select(RELEASE.APP_ID, RELEASE.NUMBER)
        .from(RELEASE)
        .where(DSL.jsonbGetAttributeAsText(RELEASE.ENVIRONMENTS, service).eq(environment))
        .orderBy(RELEASE.APP_ID, RELEASE.NUMBER)
        .fetch(row -> new Named(row.value1(), row.value2()));
  }

  private Map<String, String> environments(JSONB kept) {
    return json.readValue(kept.data(), new TypeReference<Map<String, String>>() {});
  }

  /**
   * Releases the head of an app, if it is still the version that was looked at. From now on
   * visitors see it.
   *
   * @return its number
   */
  @Transactional
  long add(String app, long version, String note, String author, Map<String, String> environments) {
    Record head =
        sql.select(APP.VERSION, APP.HEAD)
            .from(APP)
            .where(APP.ID.eq(app))
            .forUpdate()
            .fetchOptional()
            .orElseThrow(() -> Problem.missing("SERVER_APP_MISSING", "app", app));
    if (head.get(APP.VERSION) != version) {
      throw Problem.conflict("SERVER_APP_CHANGED");
    }
    Long last =
        sql.select(DSL.max(RELEASE.NUMBER))
            .from(RELEASE)
            .where(RELEASE.APP_ID.eq(app))
            .fetchSingle()
            .value1();
    long number = last == null ? 1 : last + 1;
    sql.insertInto(RELEASE)
        .set(RELEASE.APP_ID, app)
        .set(RELEASE.NUMBER, number)
        .set(RELEASE.REVISION, head.get(APP.HEAD))
        .set(RELEASE.NOTE, note)
        .set(RELEASE.AUTHOR, author)
        .set(RELEASE.ENVIRONMENTS, JSONB.valueOf(json.writeValueAsString(environments)))
        .set(RELEASE.MADE_AT, OffsetDateTime.now(clock))
        .execute();
    sql.update(APP).set(APP.RELEASED, number).where(APP.ID.eq(app)).execute();
    return number;
  }

  /** Lets visitors see another release. */
  void show(String app, long number) {
    sql.update(APP).set(APP.RELEASED, number).where(APP.ID.eq(app)).execute();
  }
}
