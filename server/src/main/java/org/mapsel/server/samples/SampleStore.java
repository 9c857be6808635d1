package org.mapsel.server.samples;

import static org.mapsel.server.schema.Tables.SAMPLE;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSON;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Samples of operations. */
@Repository
class SampleStore {

  /** What was sent last stands under this name. */
  static final String LAST = "";

  /** A sample as it is kept. */
  record Kept(JsonNode parameters, Optional<JsonNode> answer, Optional<String> exchange) {}

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;

  SampleStore(DSLContext sql, JsonMapper json, Clock clock) {
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  Optional<Kept> find(String service, String operation, String name) {
    return sql.selectFrom(SAMPLE)
        .where(SAMPLE.SERVICE_ID.eq(service))
        .and(SAMPLE.OPERATION.eq(operation))
        .and(SAMPLE.NAME.eq(name))
        .fetchOptional(
            row ->
                new Kept(
                    json.readTree(row.get(SAMPLE.PARAMETERS).data()),
                    Optional.ofNullable(row.get(SAMPLE.ANSWER))
                        .map(answer -> json.readTree(answer.data())),
                    Optional.ofNullable(row.get(SAMPLE.EXCHANGE_ID))));
  }

  /** The time of the newest sample in microseconds; 0 if there is none. */
  long lastRecordedAt() {
    return sql.select(DSL.max(SAMPLE.RECORDED_AT))
        .from(SAMPLE)
        .fetchOptional(DSL.max(SAMPLE.RECORDED_AT))
        .map(at -> ChronoUnit.MICROS.between(Instant.EPOCH, at.toInstant()))
        .orElse(0L);
  }

  /** Keeps a sample; without an answer the last good one stays. */
  void put(
      String service,
      String operation,
      String name,
      JsonNode parameters,
      Optional<JsonNode> answer,
      Optional<String> exchange) {
    JSON values = JSON.valueOf(parameters.toString());
    JSON kept = answer.map(JsonNode::toString).map(JSON::valueOf).orElse(null);
    var insert =
        sql.insertInto(SAMPLE)
            .set(SAMPLE.SERVICE_ID, service)
            .set(SAMPLE.OPERATION, operation)
            .set(SAMPLE.NAME, name)
            .set(SAMPLE.PARAMETERS, values)
            .set(SAMPLE.ANSWER, kept)
            .set(SAMPLE.EXCHANGE_ID, exchange.orElse(null))
            .set(SAMPLE.RECORDED_AT, OffsetDateTime.now(clock))
            .onConflict(SAMPLE.SERVICE_ID, SAMPLE.OPERATION, SAMPLE.NAME)
            .doUpdate()
            .set(SAMPLE.PARAMETERS, values)
            .set(SAMPLE.RECORDED_AT, OffsetDateTime.now(clock));
    if (kept != null) {
      insert.set(SAMPLE.ANSWER, kept).set(SAMPLE.EXCHANGE_ID, exchange.orElse(null)).execute();
    } else {
      insert.execute();
    }
  }
}
