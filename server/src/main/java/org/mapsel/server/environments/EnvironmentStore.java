package org.mapsel.server.environments;

import static org.mapsel.server.schema.Tables.ENVIRONMENT;
import static org.mapsel.server.schema.Tables.SERVICE;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.mapsel.core.ref.EndpointId;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The environments of services. */
@Repository
class EnvironmentStore {

  private final DSLContext sql;
  private final JsonMapper json;

  EnvironmentStore(DSLContext sql, JsonMapper json) {
    this.sql = sql;
    this.json = json;
  }

  List<Environment> all(String service) {
    return sql.selectFrom(ENVIRONMENT)
        .where(ENVIRONMENT.SERVICE_ID.eq(service))
        .orderBy(ENVIRONMENT.NAME)
        .fetch(row -> new Environment(row.getName(), addresses(row.getAddresses())));
  }

  Optional<Environment> find(String service, String name) {
    return sql.selectFrom(ENVIRONMENT)
        .where(ENVIRONMENT.SERVICE_ID.eq(service), ENVIRONMENT.NAME.eq(name))
        .fetchOptional(row -> new Environment(row.getName(), addresses(row.getAddresses())));
  }

  /** The name of the one that builders call; nothing if there is no such service. */
  Optional<String> building(String service) {
    return sql.select(SERVICE.ENVIRONMENT)
        .from(SERVICE)
        .where(SERVICE.ID.eq(service))
        .fetchOptional(SERVICE.ENVIRONMENT);
  }

  void build(String service, String name) {
    sql.update(SERVICE).set(SERVICE.ENVIRONMENT, name).where(SERVICE.ID.eq(service)).execute();
  }

  void put(String service, Environment environment) {
    Map<String, String> texts = new LinkedHashMap<>();
    environment.addresses().forEach((endpoint, address) -> texts.put(endpoint.text(), address));
    JSONB addresses = JSONB.valueOf(json.writeValueAsString(texts));
    sql.insertInto(ENVIRONMENT)
        .set(ENVIRONMENT.SERVICE_ID, service)
        .set(ENVIRONMENT.NAME, environment.name())
        .set(ENVIRONMENT.ADDRESSES, addresses)
        .onConflict(ENVIRONMENT.SERVICE_ID, ENVIRONMENT.NAME)
        .doUpdate()
        .set(ENVIRONMENT.ADDRESSES, addresses)
        .execute();
  }

  void remove(String service, String name) {
    sql.deleteFrom(ENVIRONMENT)
        .where(ENVIRONMENT.SERVICE_ID.eq(service), ENVIRONMENT.NAME.eq(name))
        .execute();
  }

  private Map<EndpointId, String> addresses(JSONB kept) {
    Map<EndpointId, String> addresses = new LinkedHashMap<>();
    json.readValue(kept.data(), new TypeReference<Map<String, String>>() {})
        .forEach((endpoint, address) -> addresses.put(new EndpointId(endpoint), address));
    return addresses;
  }
}
