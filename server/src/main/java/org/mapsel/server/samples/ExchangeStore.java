package org.mapsel.server.samples;

import static org.mapsel.server.schema.Tables.EXCHANGE;
import static org.mapsel.server.schema.Tables.SAMPLE;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.server.schema.tables.records.ExchangeRecord;
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

  /** Keeps a request that is about to leave; until it is finished, nobody knows of its answer. */
  String begin(String service, String operation, Request request, Instant now) {
    return add(
        service,
        operation,
        new Exchange(
            request,
            Optional.empty(),
            Optional.of(Finding.error("SERVER_EXCHANGE_UNFINISHED", "address", request.address())),
            now,
            Duration.ZERO));
  }

  /** Keeps what became of a request that was kept when it left; gives its id. */
  String finish(String id, Exchange exchange) {
    sql.update(EXCHANGE).set(row(exchange)).where(EXCHANGE.ID.eq(id)).execute();
    return id;
  }

  /** Keeps an exchange. */
  String add(String service, String operation, Exchange exchange) {
    String id = UUID.randomUUID().toString();
    ExchangeRecord row = row(exchange);
    row.setId(id);
    row.setServiceId(service);
    row.setOperation(operation);
    sql.insertInto(EXCHANGE).set(row).execute();
    return id;
  }

  private ExchangeRecord row(Exchange exchange) {
    byte[] body = exchange.response().map(response -> response.body()).orElse(new byte[0]);
    ExchangeRecord row = new ExchangeRecord();
    row.setStartedAt(at(exchange.started()));
    row.setTookMs(exchange.took().toMillis());
    row.setMethod(exchange.request().method());
    row.setAddress(exchange.request().address());
    row.setRequestHeaders(jsonb(exchange.request().headers()));
    row.setRequestBody(start(exchange.request().body()));
    row.setStatus(exchange.response().map(response -> response.status()).orElse(null));
    row.setResponseHeaders(
        jsonb(exchange.response().map(response -> response.headers()).orElse(Map.of())));
    row.setResponseBody(start(body));
    row.setResponseBytes((long) body.length);
    row.setFailure(exchange.failure().map(FindingView::of).map(this::jsonb).orElse(null));
    return row;
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

  /**
   * What is looked for.
   *
   * @param service empty for all
   * @param text in the address or in either body; empty for any
   */
  record Search(String service, boolean failed, String text, Optional<OffsetDateTime> before) {}

  /** An exchange without its messages. */
  record Line(
      String id,
      String service,
      String operation,
      OffsetDateTime startedAt,
      long tookMillis,
      String method,
      String address,
      Optional<Integer> status,
      long responseBytes) {}

  private static final int FIRST_WRONG = 400;

  /** The newest ones that fit. */
  List<Line> find(Search search, int most) {
    Condition fits = DSL.noCondition();
    if (!search.service().isEmpty()) {
      fits = fits.and(EXCHANGE.SERVICE_ID.eq(search.service()));
    }
    if (search.failed()) {
      fits = fits.and(EXCHANGE.STATUS.isNull().or(EXCHANGE.STATUS.ge(FIRST_WRONG)));
    }
    if (search.before().isPresent()) {
      fits = fits.and(EXCHANGE.STARTED_AT.lt(search.before().get()));
    }
    if (!search.text().isEmpty()) {
      byte[] wanted = search.text().getBytes(StandardCharsets.UTF_8);
      fits =
          fits.and(
              EXCHANGE
                  .ADDRESS
                  .contains(search.text())
                  .or(holds(EXCHANGE.REQUEST_BODY, wanted))
                  .or(holds(EXCHANGE.RESPONSE_BODY, wanted)));
    }
    return sql.select(
            EXCHANGE.ID,
            EXCHANGE.SERVICE_ID,
            EXCHANGE.OPERATION,
            EXCHANGE.STARTED_AT,
            EXCHANGE.TOOK_MS,
            EXCHANGE.METHOD,
            EXCHANGE.ADDRESS,
            EXCHANGE.STATUS,
            EXCHANGE.RESPONSE_BYTES)
        .from(EXCHANGE)
        .where(fits)
        .orderBy(EXCHANGE.STARTED_AT.desc())
        .limit(most)
        .fetch(
            row ->
                new Line(
                    row.value1(),
                    row.value2(),
                    row.value3(),
                    row.value4(),
                    row.value5(),
                    row.value6(),
                    row.value7(),
                    Optional.ofNullable(row.value8()),
                    row.value9()));
  }

  private static Condition holds(Field<byte[]> body, byte[] wanted) {
    return DSL.field("position({0} in {1})", Integer.class, DSL.val(wanted), body).gt(0);
  }

  /** Those that samples show stay whatever their age. */
  private static Condition isFree() {
    return DSL.notExists(DSL.selectOne().from(SAMPLE).where(SAMPLE.EXCHANGE_ID.eq(EXCHANGE.ID)));
  }

  /** Removes those that are older; says how many that were. */
  int removeBefore(OffsetDateTime time) {
    return sql.deleteFrom(EXCHANGE).where(EXCHANGE.STARTED_AT.lt(time)).and(isFree()).execute();
  }

  /** Removes the oldest ones, so that the messages of the others take so many bytes at most. */
  int removeBeyond(long bytes) {
    Field<BigDecimal> upTo =
        DSL.sum(
                DSL.field(
                    "octet_length({0}) + octet_length({1})",
                    Long.class, EXCHANGE.REQUEST_BODY, EXCHANGE.RESPONSE_BODY))
            .over()
            .orderBy(EXCHANGE.STARTED_AT.desc(), EXCHANGE.ID)
            .as("up_to");
    var sized = DSL.select(EXCHANGE.ID.as("sized_id"), upTo).from(EXCHANGE).asTable("sized");
    return sql.deleteFrom(EXCHANGE)
        .where(
            EXCHANGE.ID.in(
                DSL.select(sized.field("sized_id", String.class))
                    .from(sized)
                    .where(sized.field("up_to", BigDecimal.class).gt(BigDecimal.valueOf(bytes)))))
        .and(isFree())
        .execute();
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
