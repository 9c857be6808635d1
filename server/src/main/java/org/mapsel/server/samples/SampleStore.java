package org.mapsel.server.samples;

import static org.mapsel.server.schema.Tables.CHECK_RUN;
import static org.mapsel.server.schema.Tables.SAMPLE;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSON;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.OverTheWire;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.OperationId;
import org.mapsel.server.memory.LargeWork;
import org.mapsel.server.schema.tables.records.SampleRecord;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Samples of operations. */
@Repository
public class SampleStore {

  /** What was sent last stands under this name. */
  public static final String LAST = "";

  private static final String RECORDED = "RECORDED";

  /** So many of an operation tell what its fields hold, and none larger than so many bytes. */
  private static final int NEWEST = 20;

  private static final int LARGE = 500_000;

  /**
   * A sample as it is kept.
   *
   * @param exchange what was sent and came back, if that is in the log
   * @param edition the one of its service that it was taken with, if that is known
   * @param wire what it was read from
   */
  public record Kept(
      JsonNode parameters,
      Optional<JsonNode> answer,
      Optional<String> exchange,
      Optional<Failure> failure,
      Optional<String> edition,
      OverTheWire wire) {

    /** The headers that say how a body is to be read. */
    private static final String TYPE = "Content-Type";

    public Kept {
      wire = new OverTheWire(wire.sent(), wire.came().map(Kept::readable));
    }

    /** Of the headers of an answer only those are kept that say how to read it. */
    private static Response readable(Response response) {
      Map<String, List<String>> headers =
          response.header(TYPE).map(type -> Map.of(TYPE, List.of(type))).orElse(Map.of());
      return new Response(response.status(), headers, response.body());
    }

    /** What was asked and answered. */
    public static Kept answered(JsonNode parameters, JsonNode answer, Optional<String> edition) {
      return new Kept(
          parameters,
          Optional.of(answer),
          Optional.empty(),
          Optional.empty(),
          edition,
          OverTheWire.NOTHING);
    }

    /** What was asked and failed. */
    public static Kept failed(JsonNode parameters, Failure failure, Optional<String> edition) {
      return new Kept(
          parameters,
          Optional.empty(),
          Optional.empty(),
          Optional.of(failure),
          edition,
          OverTheWire.NOTHING);
    }

    /** The same, with what it was read from. */
    public Kept from(OverTheWire wire) {
      return new Kept(parameters, answer, exchange, failure, edition, wire);
    }
  }

  /**
   * What came back instead of an answer.
   *
   * @param code in the words of the protocol
   */
  public record Failure(String code, String reason) {}

  private static final Field<Integer> ANSWER_BYTES =
      DSL.octetLength(SAMPLE.ANSWER.cast(SQLDataType.CLOB));

  /** With what came over the wire. */
  private static final Field<Integer> BYTES =
      DSL.coalesce(ANSWER_BYTES, 0)
          .plus(DSL.coalesce(DSL.field("octet_length({0})", Integer.class, SAMPLE.CAME_BODY), 0))
          .plus(DSL.coalesce(DSL.field("octet_length({0})", Integer.class, SAMPLE.SENT_BODY), 0));

  private final DSLContext sql;
  private final JsonMapper json;
  private final Clock clock;
  private final LargeWork work;

  SampleStore(DSLContext sql, JsonMapper json, Clock clock, LargeWork work) {
    this.work = work;
    this.sql = sql;
    this.json = json;
    this.clock = clock;
  }

  public Optional<Kept> find(String service, String operation, String name) {
    Condition which = is(service, operation, name);
    makeRoomFor(which);
    return sql.selectFrom(SAMPLE).where(which).fetchOptional(this::kept);
  }

  /** Answers are kept whole, however large. */
  private void makeRoomFor(Condition which) {
    work.makeRoomFor(
        sql.select(DSL.sum(BYTES))
            .from(SAMPLE)
            .where(which)
            .fetchOptional(0, Long.class)
            .orElse(0L));
  }

  private static Optional<Failure> failure(SampleRecord row) {
    return Optional.ofNullable(row.getFailure())
        .map(code -> new Failure(code, Optional.ofNullable(row.getFailureReason()).orElse(code)));
  }

  private Kept kept(SampleRecord row) {
    return new Kept(
        json.readTree(row.getParameters().data()),
        read(row.getAnswer()),
        Optional.ofNullable(row.getExchangeId()),
        failure(row),
        Optional.ofNullable(row.getEdition()),
        new OverTheWire(sent(row), came(row)));
  }

  private Optional<Request> sent(SampleRecord row) {
    return Optional.ofNullable(row.getSentBody())
        .map(
            body ->
                new Request(
                    row.getSentMethod(),
                    row.getSentAddress(),
                    json.readValue(
                        row.getSentHeaders().data(), new TypeReference<List<Header>>() {}),
                    body));
  }

  private static Optional<Response> came(SampleRecord row) {
    byte[] body = row.getCameBody();
    if (body == null) {
      return Optional.empty();
    }
    String type = row.getCameType();
    return Optional.of(
        new Response(
            row.getCameStatus(), type == null ? Map.of() : Map.of(Kept.TYPE, List.of(type)), body));
  }

  /**
   * A sample that somebody gave a name.
   *
   * @param origin whether it was recorded or made
   * @param pinned what must hold of it, if it is a check
   * @param verdict what came of that last
   * @param everyMinutes how often it runs by itself, if it does
   */
  public record Line(
      String service,
      String operation,
      String name,
      OffsetDateTime recordedAt,
      String origin,
      Kept kept,
      Optional<JsonNode> pinned,
      Optional<JsonNode> verdict,
      Optional<Integer> everyMinutes) {}

  /** All samples that have names, by service and operation. */
  public List<Line> all() {
    makeRoomFor(SAMPLE.NAME.ne(LAST));
    return sql.selectFrom(SAMPLE)
        .where(SAMPLE.NAME.ne(LAST))
        .orderBy(SAMPLE.SERVICE_ID, SAMPLE.OPERATION, SAMPLE.NAME)
        .fetch(this::line);
  }

  /** The operations of a service that have samples. */
  public Set<OperationId> operations(String service) {
    return Set.copyOf(
        sql.selectDistinct(SAMPLE.OPERATION)
            .from(SAMPLE)
            .where(SAMPLE.SERVICE_ID.eq(service))
            .fetch(row -> new OperationId(row.value1())));
  }

  public Optional<Line> line(String service, String operation, String name) {
    Condition which = is(service, operation, name);
    makeRoomFor(which);
    return sql.selectFrom(SAMPLE).where(which).fetchOptional(this::line);
  }

  private Line line(SampleRecord row) {
    return new Line(
        row.getServiceId(),
        row.getOperation(),
        row.getName(),
        row.getRecordedAt(),
        row.getOrigin(),
        kept(row),
        Optional.ofNullable(row.getPinned()).map(pinned -> json.readTree(pinned.data())),
        Optional.ofNullable(row.getVerdict()).map(verdict -> json.readTree(verdict.data())),
        Optional.ofNullable(row.getEveryMinutes()));
  }

  private Optional<JsonNode> read(@Nullable JSON column) {
    return Optional.ofNullable(column).map(text -> json.readTree(text.data()));
  }

  private static Condition is(String service, String operation, String name) {
    return SAMPLE
        .SERVICE_ID
        .eq(service)
        .and(SAMPLE.OPERATION.eq(operation))
        .and(SAMPLE.NAME.eq(name));
  }

  /**
   * Everything that an operation answered: what it really did, named ones first, then made ones.
   */
  List<Kept> answered(String service, String operation) {
    Condition which = SAMPLE.SERVICE_ID.eq(service).and(SAMPLE.OPERATION.eq(operation));
    makeRoomFor(which);
    return sql.selectFrom(SAMPLE)
        .where(which)
        .and(SAMPLE.ANSWER.isNotNull().or(SAMPLE.FAILURE.isNotNull()))
        .orderBy(SAMPLE.ORIGIN.desc(), SAMPLE.NAME.desc())
        .fetch(this::kept);
  }

  /** The newest that an operation really did, but for those that are large. */
  List<Kept> recorded(String service, String operation) {
    return sql.selectFrom(SAMPLE)
        .where(SAMPLE.SERVICE_ID.eq(service))
        .and(SAMPLE.OPERATION.eq(operation))
        .and(SAMPLE.ORIGIN.eq(RECORDED))
        // What is shown instead of an answer stands there without an exchange.
        .and(SAMPLE.NAME.ne(LAST).or(SAMPLE.EXCHANGE_ID.isNotNull()))
        .and(SAMPLE.ANSWER.isNull().or(ANSWER_BYTES.lt(LARGE)))
        .orderBy(SAMPLE.RECORDED_AT.desc())
        .limit(NEWEST)
        .fetch(this::kept);
  }

  /** Keeps a sample under a name, in place of another one of that name; a check stays one. */
  @Transactional
  public void keep(String service, String operation, String name, Kept kept, String origin) {
    put(service, operation, name, kept);
    var update = sql.update(SAMPLE).set(SAMPLE.ORIGIN, origin);
    kept.failure()
        .ifPresent(
            failure ->
                update
                    .setNull(SAMPLE.ANSWER)
                    .setNull(SAMPLE.EXCHANGE_ID)
                    .set(came(kept.wire().came()))
                    .set(SAMPLE.EDITION, kept.edition().orElse(null))
                    .set(SAMPLE.FAILURE, failure.code())
                    .set(SAMPLE.FAILURE_REASON, failure.reason()));
    update.where(is(service, operation, name)).execute();
  }

  public void remove(String service, String operation, String name) {
    sql.deleteFrom(SAMPLE).where(is(service, operation, name)).and(SAMPLE.NAME.ne(LAST)).execute();
  }

  /** Says what must hold of a sample; what came of another check is forgotten. */
  public void pin(String service, String operation, String name, Optional<JsonNode> check) {
    sql.update(SAMPLE)
        .set(SAMPLE.PINNED, check.map(JsonNode::toString).map(JSONB::valueOf).orElse(null))
        .setNull(SAMPLE.VERDICT)
        .where(is(service, operation, name))
        .execute();
  }

  public void putVerdict(String service, String operation, String name, JsonNode verdict) {
    sql.update(SAMPLE)
        .set(SAMPLE.VERDICT, JSONB.valueOf(verdict.toString()))
        .where(is(service, operation, name))
        .execute();
  }

  /** When a sample of a service was given a name last, in microseconds. */
  long lastNamedAt(String service) {
    return sql.select(DSL.max(SAMPLE.RECORDED_AT))
        .from(SAMPLE)
        .where(SAMPLE.SERVICE_ID.eq(service))
        .and(SAMPLE.NAME.ne(LAST))
        .fetchOptional(DSL.max(SAMPLE.RECORDED_AT))
        .map(at -> ChronoUnit.MICROS.between(Instant.EPOCH, at.toInstant()))
        .orElse(0L);
  }

  /** How many bytes the answers have that are kept for a service. */
  long bytes(String service) {
    return sql.select(DSL.sum(BYTES))
        .from(SAMPLE)
        .where(SAMPLE.SERVICE_ID.eq(service))
        .fetchOptional(0, Long.class)
        .orElse(0L);
  }

  /** The time of the newest sample in microseconds; 0 if there is none. */
  long lastRecordedAt() {
    return sql.select(DSL.max(SAMPLE.RECORDED_AT))
        .from(SAMPLE)
        .fetchOptional(DSL.max(SAMPLE.RECORDED_AT))
        .map(at -> ChronoUnit.MICROS.between(Instant.EPOCH, at.toInstant()))
        .orElse(0L);
  }

  /** Keeps a sample; without an answer the last good one stays, of whichever edition it is. */
  public void put(String service, String operation, String name, Kept kept) {
    Map<Field<?>, Object> sent = sent(kept.wire().sent());
    JSON values = JSON.valueOf(kept.parameters().toString());
    JSON answer = kept.answer().map(JsonNode::toString).map(JSON::valueOf).orElse(null);
    Map<Field<?>, Object> came = came(kept.wire().came());
    var insert =
        sql.insertInto(SAMPLE)
            .set(SAMPLE.SERVICE_ID, service)
            .set(SAMPLE.OPERATION, operation)
            .set(SAMPLE.NAME, name)
            .set(SAMPLE.PARAMETERS, values)
            .set(SAMPLE.ANSWER, answer)
            .set(SAMPLE.EXCHANGE_ID, kept.exchange().orElse(null))
            .set(SAMPLE.EDITION, kept.edition().orElse(null))
            .set(came)
            .set(sent)
            .set(SAMPLE.RECORDED_AT, OffsetDateTime.now(clock))
            .onConflict(SAMPLE.SERVICE_ID, SAMPLE.OPERATION, SAMPLE.NAME)
            .doUpdate()
            .set(SAMPLE.PARAMETERS, values)
            .set(sent)
            .setNull(SAMPLE.FAILURE)
            .setNull(SAMPLE.FAILURE_REASON)
            .set(SAMPLE.RECORDED_AT, OffsetDateTime.now(clock));
    if (answer != null) {
      insert
          .set(SAMPLE.ANSWER, answer)
          .set(SAMPLE.EXCHANGE_ID, kept.exchange().orElse(null))
          .set(SAMPLE.EDITION, kept.edition().orElse(null))
          .set(came)
          .execute();
    } else {
      insert.execute();
    }
  }

  private static Map<Field<?>, Object> came(Optional<Response> response) {
    Map<Field<?>, Object> columns = new HashMap<>();
    columns.put(SAMPLE.CAME_STATUS, response.map(Response::status).orElse(null));
    columns.put(SAMPLE.CAME_TYPE, response.flatMap(one -> one.header(Kept.TYPE)).orElse(null));
    columns.put(SAMPLE.CAME_BODY, response.map(Response::body).orElse(null));
    return columns;
  }

  private Map<Field<?>, Object> sent(Optional<Request> request) {
    Map<Field<?>, Object> columns = new HashMap<>();
    columns.put(SAMPLE.SENT_METHOD, request.map(Request::method).orElse(null));
    columns.put(SAMPLE.SENT_ADDRESS, request.map(Request::address).orElse(null));
    columns.put(
        SAMPLE.SENT_HEADERS,
        request.map(one -> JSONB.valueOf(json.writeValueAsString(one.headers()))).orElse(null));
    columns.put(SAMPLE.SENT_BODY, request.map(Request::body).orElse(null));
    return columns;
  }

  /**
   * Takes samples along to another name of their operation, where none has that place; what was
   * sent last stays under the old one too, for apps of the edition that has it.
   */
  @Transactional
  public void rename(String service, String operation, String now) {
    for (String name :
        sql.select(SAMPLE.NAME)
            .from(SAMPLE)
            .where(SAMPLE.SERVICE_ID.eq(service))
            .and(SAMPLE.OPERATION.eq(operation))
            .fetch(SAMPLE.NAME)) {
      SampleRecord copy =
          sql.fetchSingle(SAMPLE, is(service, operation, name)).into(SampleRecord.class);
      copy.setOperation(now);
      int copied = sql.insertInto(SAMPLE).set(copy).onConflictDoNothing().execute();
      if (copied > 0 && !name.equals(LAST)) {
        sql.update(CHECK_RUN)
            .set(CHECK_RUN.OPERATION, now)
            .where(CHECK_RUN.SERVICE_ID.eq(service))
            .and(CHECK_RUN.OPERATION.eq(operation))
            .and(CHECK_RUN.NAME.eq(name))
            .execute();
        remove(service, operation, name);
      }
    }
  }
}
