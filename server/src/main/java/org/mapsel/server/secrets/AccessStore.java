package org.mapsel.server.secrets;

import static org.mapsel.server.schema.Tables.SERVICE_ACCESS;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The encrypted access of endpoints. */
@Repository
class AccessStore {

  private final DSLContext sql;

  AccessStore(DSLContext sql) {
    this.sql = sql;
  }

  /**
   * What is kept for an endpoint.
   *
   * @param origin the server that it was used for first; nothing before that
   */
  record Kept(byte[] content, Optional<String> origin) {}

  Optional<Kept> find(String service, String endpoint, String environment) {
    return sql.select(SERVICE_ACCESS.CONTENT, SERVICE_ACCESS.ORIGIN)
        .from(SERVICE_ACCESS)
        .where(
            SERVICE_ACCESS.SERVICE_ID.eq(service),
            SERVICE_ACCESS.ENDPOINT.eq(endpoint),
            SERVICE_ACCESS.ENVIRONMENT.eq(environment))
        .fetchOptional(row -> new Kept(row.value1(), Optional.ofNullable(row.value2())));
  }

  /** Says which server something is for; the first one to say so counts. */
  void bind(String service, String endpoint, String environment, String origin) {
    sql.update(SERVICE_ACCESS)
        .set(SERVICE_ACCESS.ORIGIN, origin)
        .where(
            SERVICE_ACCESS.SERVICE_ID.eq(service),
            SERVICE_ACCESS.ENDPOINT.eq(endpoint),
            SERVICE_ACCESS.ENVIRONMENT.eq(environment),
            SERVICE_ACCESS.ORIGIN.isNull())
        .execute();
  }

  void put(String service, String endpoint, String environment, Kept kept) {
    sql.insertInto(SERVICE_ACCESS)
        .set(SERVICE_ACCESS.SERVICE_ID, service)
        .set(SERVICE_ACCESS.ENDPOINT, endpoint)
        .set(SERVICE_ACCESS.ENVIRONMENT, environment)
        .set(SERVICE_ACCESS.CONTENT, kept.content())
        .set(SERVICE_ACCESS.ORIGIN, kept.origin().orElse(null))
        .onConflict(SERVICE_ACCESS.SERVICE_ID, SERVICE_ACCESS.ENDPOINT, SERVICE_ACCESS.ENVIRONMENT)
        .doUpdate()
        .set(SERVICE_ACCESS.CONTENT, kept.content())
        .set(SERVICE_ACCESS.ORIGIN, kept.origin().orElse(null))
        .execute();
  }

  void remove(String service, String endpoint, String environment) {
    sql.deleteFrom(SERVICE_ACCESS)
        .where(
            SERVICE_ACCESS.SERVICE_ID.eq(service),
            SERVICE_ACCESS.ENDPOINT.eq(endpoint),
            SERVICE_ACCESS.ENVIRONMENT.eq(environment))
        .execute();
  }

  void removeAll(String service, String environment) {
    sql.deleteFrom(SERVICE_ACCESS)
        .where(SERVICE_ACCESS.SERVICE_ID.eq(service), SERVICE_ACCESS.ENVIRONMENT.eq(environment))
        .execute();
  }
}
