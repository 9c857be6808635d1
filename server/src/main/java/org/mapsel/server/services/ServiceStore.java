package org.mapsel.server.services;

import static org.mapsel.server.schema.Tables.SERVICE;
import static org.mapsel.server.schema.Tables.SERVICE_EDITION;
import static org.mapsel.server.schema.Tables.TAKEN_OPERATION;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The services of the workspace. */
@Repository
class ServiceStore {

  /** A service as it is kept. */
  record Kept(
      String id,
      String name,
      String source,
      String edition,
      EndpointId endpoint,
      OffsetDateTime takenAt) {}

  private final DSLContext sql;
  private final Clock clock;

  ServiceStore(DSLContext sql, Clock clock) {
    this.sql = sql;
    this.clock = clock;
  }

  /** Any number that nobody else uses for a lock. */
  private static final long TAKING = 7_300_001;

  /** Does something to the list of services while nobody else does. */
  @Transactional
  public <T> T alone(Supplier<T> change) {
    sql.execute("select pg_advisory_xact_lock(?)", TAKING);
    return change.get();
  }

  List<Kept> all() {
    return sql.selectFrom(SERVICE).orderBy(SERVICE.NAME, SERVICE.ID).fetch(ServiceStore::kept);
  }

  Optional<Kept> find(String id) {
    return sql.selectFrom(SERVICE).where(SERVICE.ID.eq(id)).fetchOptional(ServiceStore::kept);
  }

  private static Kept kept(Record row) {
    return new Kept(
        row.get(SERVICE.ID),
        row.get(SERVICE.NAME),
        row.get(SERVICE.SOURCE),
        row.get(SERVICE.EDITION_ID),
        new EndpointId(row.get(SERVICE.ENDPOINT)),
        row.get(SERVICE.TAKEN_AT));
  }

  /** The service that an edition was taken for. */
  Optional<String> withEdition(String edition) {
    return sql.select(SERVICE_EDITION.SERVICE_ID)
        .from(SERVICE_EDITION)
        .where(SERVICE_EDITION.EDITION_ID.eq(edition))
        .orderBy(SERVICE_EDITION.TAKEN_AT)
        .limit(1)
        .fetchOptional(SERVICE_EDITION.SERVICE_ID);
  }

  /** An edition of a service, and when it was taken. */
  record EditionLine(String edition, OffsetDateTime takenAt) {}

  List<EditionLine> editions(String service) {
    return sql.selectFrom(SERVICE_EDITION)
        .where(SERVICE_EDITION.SERVICE_ID.eq(service))
        .orderBy(SERVICE_EDITION.TAKEN_AT.desc())
        .fetch(
            row ->
                new EditionLine(
                    row.get(SERVICE_EDITION.EDITION_ID), row.get(SERVICE_EDITION.TAKEN_AT)));
  }

  boolean hasEdition(String service, String edition) {
    return sql.fetchExists(
        SERVICE_EDITION,
        SERVICE_EDITION.SERVICE_ID.eq(service).and(SERVICE_EDITION.EDITION_ID.eq(edition)));
  }

  List<OperationId> taken(String service) {
    return sql.select(TAKEN_OPERATION.OPERATION)
        .from(TAKEN_OPERATION)
        .where(TAKEN_OPERATION.SERVICE_ID.eq(service))
        .orderBy(TAKEN_OPERATION.POSITION)
        .fetch(row -> new OperationId(row.value1()));
  }

  /** Adds a service, or sets anew what is taken of one that is there. */
  @Transactional
  void put(Kept service, List<OperationId> operations) {
    sql.insertInto(SERVICE)
        .set(SERVICE.ID, service.id())
        .set(SERVICE.NAME, service.name())
        .set(SERVICE.SOURCE, service.source())
        .set(SERVICE.EDITION_ID, service.edition())
        .set(SERVICE.ENDPOINT, service.endpoint().text())
        .set(SERVICE.TAKEN_AT, OffsetDateTime.now(clock))
        .onConflict(SERVICE.ID)
        .doUpdate()
        .set(SERVICE.ENDPOINT, service.endpoint().text())
        .set(SERVICE.EDITION_ID, service.edition())
        .execute();
    sql.insertInto(SERVICE_EDITION)
        .set(SERVICE_EDITION.SERVICE_ID, service.id())
        .set(SERVICE_EDITION.EDITION_ID, service.edition())
        .set(SERVICE_EDITION.TAKEN_AT, OffsetDateTime.now(clock))
        .onConflictDoNothing()
        .execute();
    sql.deleteFrom(TAKEN_OPERATION).where(TAKEN_OPERATION.SERVICE_ID.eq(service.id())).execute();
    for (int i = 0; i < operations.size(); i++) {
      sql.insertInto(TAKEN_OPERATION)
          .set(TAKEN_OPERATION.SERVICE_ID, service.id())
          .set(TAKEN_OPERATION.POSITION, i)
          .set(TAKEN_OPERATION.OPERATION, operations.get(i).text())
          .execute();
    }
  }

  void remove(String id) {
    sql.deleteFrom(SERVICE).where(SERVICE.ID.eq(id)).execute();
  }
}
