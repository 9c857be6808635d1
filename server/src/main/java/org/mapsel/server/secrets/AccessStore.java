package org.mapsel.server.secrets;

import static org.mapsel.server.schema.Tables.ENDPOINT_ACCESS;

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

  Optional<byte[]> find(String service, String endpoint) {
    return sql.select(ENDPOINT_ACCESS.CONTENT)
        .from(ENDPOINT_ACCESS)
        .where(ENDPOINT_ACCESS.SERVICE_ID.eq(service), ENDPOINT_ACCESS.ENDPOINT.eq(endpoint))
        .fetchOptional(ENDPOINT_ACCESS.CONTENT);
  }

  void put(String service, String endpoint, byte[] content) {
    sql.insertInto(ENDPOINT_ACCESS)
        .set(ENDPOINT_ACCESS.SERVICE_ID, service)
        .set(ENDPOINT_ACCESS.ENDPOINT, endpoint)
        .set(ENDPOINT_ACCESS.CONTENT, content)
        .onConflict(ENDPOINT_ACCESS.SERVICE_ID, ENDPOINT_ACCESS.ENDPOINT)
        .doUpdate()
        .set(ENDPOINT_ACCESS.CONTENT, content)
        .execute();
  }

  void remove(String service, String endpoint) {
    sql.deleteFrom(ENDPOINT_ACCESS)
        .where(ENDPOINT_ACCESS.SERVICE_ID.eq(service), ENDPOINT_ACCESS.ENDPOINT.eq(endpoint))
        .execute();
  }
}
