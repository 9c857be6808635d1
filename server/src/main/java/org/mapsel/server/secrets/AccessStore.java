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

  Optional<byte[]> find(String service, String endpoint, String environment) {
    return sql.select(SERVICE_ACCESS.CONTENT)
        .from(SERVICE_ACCESS)
        .where(
            SERVICE_ACCESS.SERVICE_ID.eq(service),
            SERVICE_ACCESS.ENDPOINT.eq(endpoint),
            SERVICE_ACCESS.ENVIRONMENT.eq(environment))
        .fetchOptional(SERVICE_ACCESS.CONTENT);
  }

  void put(String service, String endpoint, String environment, byte[] content) {
    sql.insertInto(SERVICE_ACCESS)
        .set(SERVICE_ACCESS.SERVICE_ID, service)
        .set(SERVICE_ACCESS.ENDPOINT, endpoint)
        .set(SERVICE_ACCESS.ENVIRONMENT, environment)
        .set(SERVICE_ACCESS.CONTENT, content)
        .onConflict(SERVICE_ACCESS.SERVICE_ID, SERVICE_ACCESS.ENDPOINT, SERVICE_ACCESS.ENVIRONMENT)
        .doUpdate()
        .set(SERVICE_ACCESS.CONTENT, content)
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
