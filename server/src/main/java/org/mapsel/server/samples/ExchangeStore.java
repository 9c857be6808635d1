package org.mapsel.server.samples;

import static org.mapsel.server.schema.Tables.EXCHANGE;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.message.Header;
import org.mapsel.server.web.FindingView;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Exchanges as they went over the wire. */
@Repository
class ExchangeStore {

  /** Of a longer body only the start is kept; nobody reads more of it. */
  static final int MAX_BODY = 1 << 20;

  /** An exchange as it is kept. */
  record Kept(
      String id,
      String service,
      String operation,
      OffsetDateTime startedAt,
      long tookMillis,
      String method,
      String address,
      List<Header> requestHeaders,
      byte[] requestBody,
      Optional<Integer> status,
      Map<String, List<String>> responseHeaders,
      byte[] responseBody,
      long responseBytes,
      Optional<FindingView> failure) {}

  private final DSLContext sql;
  private final JsonMapper json;

  ExchangeStore(DSLContext sql, JsonMapper json) {
    this.sql = sql;
    this.json = json;
  }

  String add(String service, String operation, Exchange exchange) {
    String id = UUID.randomUUID().toString();
    byte[] body = exchange.response().map(response -> response.body()).orElse(new byte[0]);
    sql.insertInto(EXCHANGE)
        .set(EXCHANGE.ID, id)
        .set(EXCHANGE.SERVICE_ID, service)
        .set(EXCHANGE.OPERATION, operation)
        .set(EXCHANGE.STARTED_AT, at(exchange.started()))
        .set(EXCHANGE.TOOK_MS, exchange.took().toMillis())
        .set(EXCHANGE.METHOD, exchange.request().method())
        .set(EXCHANGE.ADDRESS, exchange.request().address())
        .set(EXCHANGE.REQUEST_HEADERS, jsonb(exchange.request().headers()))
        .set(EXCHANGE.REQUEST_BODY, start(exchange.request().body()))
        .set(EXCHANGE.STATUS, exchange.response().map(response -> response.status()).orElse(null))
        .set(
            EXCHANGE.RESPONSE_HEADERS,
            jsonb(exchange.response().map(response -> response.headers()).orElse(Map.of())))
        .set(EXCHANGE.RESPONSE_BODY, start(body))
        .set(EXCHANGE.RESPONSE_BYTES, (long) body.length)
        .set(
            EXCHANGE.FAILURE, exchange.failure().map(FindingView::of).map(this::jsonb).orElse(null))
        .execute();
    return id;
  }

  private static byte[] start(byte[] body) {
    return body.length <= MAX_BODY ? body : Arrays.copyOf(body, MAX_BODY);
  }

  private static OffsetDateTime at(Instant instant) {
    return instant.atOffset(ZoneOffset.UTC);
  }

  private JSONB jsonb(Object value) {
    return JSONB.valueOf(json.writeValueAsString(value));
  }

  Optional<Kept> find(String id) {
    return sql.selectFrom(EXCHANGE).where(EXCHANGE.ID.eq(id)).fetchOptional(this::kept);
  }

  private Kept kept(Record row) {
    return new Kept(
        row.get(EXCHANGE.ID),
        row.get(EXCHANGE.SERVICE_ID),
        row.get(EXCHANGE.OPERATION),
        row.get(EXCHANGE.STARTED_AT),
        row.get(EXCHANGE.TOOK_MS),
        row.get(EXCHANGE.METHOD),
        row.get(EXCHANGE.ADDRESS),
        json.readValue(
            row.get(EXCHANGE.REQUEST_HEADERS).data(), new TypeReference<List<Header>>() {}),
        row.get(EXCHANGE.REQUEST_BODY),
        Optional.ofNullable(row.get(EXCHANGE.STATUS)),
        json.readValue(
            row.get(EXCHANGE.RESPONSE_HEADERS).data(),
            new TypeReference<Map<String, List<String>>>() {}),
        row.get(EXCHANGE.RESPONSE_BODY),
        row.get(EXCHANGE.RESPONSE_BYTES),
        Optional.ofNullable(row.get(EXCHANGE.FAILURE))
            .map(failure -> json.readValue(failure.data(), FindingView.class)));
  }
}
