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
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.LongAdder;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.PersonalData;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
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

  /**
   * What an exchange belongs to.
   *
   * @param personal what is not kept of it
   */
  record Of(String service, String operation, Asker asker, PersonalData personal) {}

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
  private final LongAdder recorded = new LongAdder();

  ExchangeStore(DSLContext sql, JsonMapper json) {
    this.sql = sql;
    this.json = json;
  }

  /** Keeps a request that is about to leave; until it is finished, nobody knows of its answer. */
  String begin(Of of, Request request, Instant now) {
    return add(
        of,
        new Exchange(
            request,
            Optional.empty(),
            Optional.of(Finding.error("SERVER_EXCHANGE_UNFINISHED", "address", request.address())),
            now,
            Duration.ZERO));
  }

  /** Keeps what became of a request that was kept when it left; gives its id. */
  String finish(Of of, String id, Exchange exchange) {
    sql.update(EXCHANGE).set(row(of.personal(), exchange)).where(EXCHANGE.ID.eq(id)).execute();
    return id;
  }

  /** Keeps an exchange. */
  String add(Of of, Exchange exchange) {
    String id = UUID.randomUUID().toString();
    ExchangeRecord row = row(of.personal(), exchange);
    row.setId(id);
    row.setServiceId(of.service());
    row.setOperation(of.operation());
    row.setApp(of.asker().app().orElse(null));
    row.setPage(of.asker().page().orElse(null));
    row.setVisitor(of.asker().visitor());
    sql.insertInto(EXCHANGE).set(row).execute();
    return id;
  }

  private ExchangeRecord row(PersonalData personal, Exchange exchange) {
    Request request = personal.blankedIn(start(exchange.request()));
    Optional<Response> response =
        exchange.response().map(whole -> personal.blankedIn(start(whole)));
    ExchangeRecord row = new ExchangeRecord();
    row.setStartedAt(at(exchange.started()));
    row.setTookMs(exchange.took().toMillis());
    row.setMethod(request.method());
    row.setAddress(request.address());
    row.setRequestHeaders(jsonb(request.headers()));
    row.setRequestBody(request.body());
    row.setStatus(response.map(Response::status).orElse(null));
    row.setResponseHeaders(jsonb(response.map(Response::headers).orElse(Map.of())));
    row.setResponseBody(response.map(Response::body).orElse(new byte[0]));
    recorded.add((long) row.getRequestBody().length + row.getResponseBody().length);
    row.setResponseBytes(row.getResponseBody().length + cut(exchange));
    row.setSieve(TextSieve.of(row.getRequestBody(), row.getResponseBody()));
    row.setFailure(exchange.failure().map(FindingView::of).map(this::jsonb).orElse(null));
    return row;
  }

  /** How many bytes of messages were kept since the start. */
  long recordedBytes() {
    return recorded.sum();
  }

  /** How many bytes of the response are not kept. */
  private static long cut(Exchange exchange) {
    return exchange
        .response()
        .map(response -> Math.max(0L, response.body().length - MAX_BODY))
        .orElse(0L);
  }

  private static Request start(Request request) {
    return new Request(
        request.method(), request.address(), request.headers(), start(request.body()));
  }

  private static Response start(Response response) {
    return new Response(response.status(), response.headers(), start(response.body()));
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
   * @param operation of that service; empty for all
   * @param app that they were made for; empty for all, and for those that were made for none
   * @param page of that app; empty for all
   * @param visitors only those of visitors, or only those of who builds
   * @param outcome empty for any
   * @param text in the address or in either body; empty for any
   * @param from the time of the oldest one
   * @param before a time that all are older than
   */
  record Search(
      String service,
      String operation,
      String app,
      String page,
      Optional<Boolean> visitors,
      Optional<Outcome> outcome,
      String text,
      Optional<OffsetDateTime> from,
      Optional<OffsetDateTime> before) {}

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
      long responseBytes,
      Asker asker) {}

  private static final int FIRST_WRONG = 400;
  private static final int FIRST_BROKEN = 500;

  /** The newest ones that fit. */
  List<Line> find(Search search, int most) {
    Condition fits = fits(search);
    return sql.transactionResult(
        transaction -> {
          // From the newest on, as far as needed: a text is guessed to stand in so few that all
          // would be gone through.
          transaction.dsl().execute("set local enable_sort = off");
          return find(transaction.dsl(), fits, most);
        });
  }

  private static List<Line> find(DSLContext sql, Condition fits, int most) {
    return sql.select(
            EXCHANGE.ID,
            EXCHANGE.SERVICE_ID,
            EXCHANGE.OPERATION,
            EXCHANGE.STARTED_AT,
            EXCHANGE.TOOK_MS,
            EXCHANGE.METHOD,
            EXCHANGE.ADDRESS,
            EXCHANGE.STATUS,
            EXCHANGE.RESPONSE_BYTES,
            EXCHANGE.APP,
            EXCHANGE.PAGE,
            EXCHANGE.VISITOR)
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
                    row.value9(),
                    new Asker(
                        Optional.ofNullable(row.value10()),
                        Optional.ofNullable(row.value11()),
                        row.value12())));
  }

  private static Condition fits(Search search) {
    Condition fits = DSL.noCondition();
    for (Map.Entry<Field<String>, String> one :
        Map.<Field<String>, String>of(
                EXCHANGE.SERVICE_ID,
                search.service(),
                EXCHANGE.OPERATION,
                search.operation(),
                EXCHANGE.APP,
                search.app(),
                EXCHANGE.PAGE,
                search.page())
            .entrySet()) {
      if (!one.getValue().isEmpty()) {
        fits = fits.and(one.getKey().eq(one.getValue()));
      }
    }
    if (search.visitors().isPresent()) {
      fits = fits.and(EXCHANGE.VISITOR.eq(search.visitors().get()));
    }
    if (search.from().isPresent()) {
      fits = fits.and(EXCHANGE.STARTED_AT.ge(search.from().get()));
    }
    if (search.outcome().isPresent()) {
      fits = fits.and(is(search.outcome().get()));
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
                  .or(
                      mayHold(wanted)
                          .and(
                              holds(EXCHANGE.REQUEST_BODY, wanted)
                                  .or(holds(EXCHANGE.RESPONSE_BODY, wanted)))));
    }
    return fits;
  }

  private static Condition is(Outcome outcome) {
    return switch (outcome) {
      case ANSWERED -> EXCHANGE.STATUS.lt(FIRST_WRONG);
      case FAILED -> EXCHANGE.STATUS.isNull().or(EXCHANGE.STATUS.ge(FIRST_WRONG));
      case REFUSED -> EXCHANGE.STATUS.between(FIRST_WRONG, FIRST_BROKEN - 1);
      case BROKEN -> EXCHANGE.STATUS.ge(FIRST_BROKEN);
      case UNANSWERED -> EXCHANGE.STATUS.isNull();
    };
  }

  private static Condition mayHold(byte[] wanted) {
    Condition passes = DSL.trueCondition();
    for (int hash : TextSieve.hashes(wanted)) {
      passes =
          passes.and(
              DSL.field(
                      "get_bit({0}, {1} % (8 * octet_length({0})))",
                      Integer.class, EXCHANGE.SIEVE, DSL.inline(hash))
                  .eq(1));
    }
    return EXCHANGE.SIEVE.isNull().or(passes);
  }

  private static Condition holds(Field<byte[]> body, byte[] wanted) {
    return DSL.field("position({0} in {1})", Integer.class, DSL.val(wanted), body).gt(0);
  }

  /** Those that samples show stay whatever their age. */
  private static Condition isFree() {
    return DSL.notExists(DSL.selectOne().from(SAMPLE).where(SAMPLE.EXCHANGE_ID.eq(EXCHANGE.ID)));
  }

  /** Some of the exchanges. */
  sealed interface Some {
    /** Those that were made for an app. */
    record OfApp(String app) implements Some {}

    /** Those that were made for none of some apps. */
    record OfOthers(Set<String> apps) implements Some {}

    /** Those of visitors. */
    record OfVisitors() implements Some {}
  }

  private static Condition are(Some some) {
    return switch (some) {
      case Some.OfApp one -> EXCHANGE.APP.eq(one.app());
      case Some.OfOthers others -> EXCHANGE.APP.isNull().or(EXCHANGE.APP.notIn(others.apps()));
      case Some.OfVisitors visitors -> EXCHANGE.VISITOR.isTrue();
    };
  }

  /** Removes those of some that are older; says how many that were. */
  int removeBefore(Some some, OffsetDateTime time) {
    return sql.deleteFrom(EXCHANGE)
        .where(are(some))
        .and(EXCHANGE.STARTED_AT.lt(time))
        .and(isFree())
        .execute();
  }

  /**
   * Removes the oldest of some, so that the messages of the rest take so many bytes at most.
   *
   * @param settled what started since may still be under way to an answer or a sample, and stays
   */
  int removeBeyond(Some some, long bytes, OffsetDateTime settled) {
    Field<BigDecimal> upTo =
        DSL.sum(
                DSL.field(
                    "octet_length({0}) + octet_length({1})",
                    Long.class, EXCHANGE.REQUEST_BODY, EXCHANGE.RESPONSE_BODY))
            .over()
            .orderBy(EXCHANGE.STARTED_AT.desc(), EXCHANGE.ID)
            .as("up_to");
    var sized =
        DSL.select(EXCHANGE.ID.as("sized_id"), upTo)
            .from(EXCHANGE)
            .where(are(some))
            .asTable("sized");
    return sql.deleteFrom(EXCHANGE)
        .where(
            EXCHANGE.ID.in(
                DSL.select(sized.field("sized_id", String.class))
                    .from(sized)
                    .where(sized.field("up_to", BigDecimal.class).gt(BigDecimal.valueOf(bytes)))))
        .and(EXCHANGE.STARTED_AT.lt(settled))
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
