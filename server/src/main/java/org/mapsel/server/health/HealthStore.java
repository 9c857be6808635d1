package org.mapsel.server.health;

import static org.mapsel.server.schema.Tables.EXCHANGE;

import java.math.BigDecimal;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.DatePart;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.mapsel.server.web.FindingView;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** Counts what went over the wire. */
@Repository
class HealthStore {

  private static final int FIRST_WRONG = 400;
  private static final Condition FAILED =
      EXCHANGE.STATUS.isNull().or(EXCHANGE.STATUS.ge(FIRST_WRONG));

  /** An operation of a service. */
  record Called(String service, String operation) {}

  /** How often an operation was called, how often in vain, and how long that took. */
  record Times(Called called, int calls, int failed, long median, long slowest) {}

  /**
   * A call that failed.
   *
   * @param failure what came instead of an answer
   */
  record Failed(
      String exchange, OffsetDateTime at, Optional<Integer> status, Optional<String> failure) {}

  /** What was called in an hour. */
  record Hour(OffsetDateTime from, int calls, int failed, long mean) {}

  private final DSLContext sql;
  private final JsonMapper json;

  HealthStore(DSLContext sql, JsonMapper json) {
    this.sql = sql;
    this.json = json;
  }

  private static Field<Integer> failed() {
    return DSL.count().filterWhere(FAILED);
  }

  List<Times> times(OffsetDateTime since) {
    Field<BigDecimal> median = DSL.percentileCont(0.5).withinGroupOrderBy(EXCHANGE.TOOK_MS);
    return sql.select(
            EXCHANGE.SERVICE_ID,
            EXCHANGE.OPERATION,
            DSL.count(),
            failed(),
            median,
            DSL.max(EXCHANGE.TOOK_MS))
        .from(EXCHANGE)
        .where(EXCHANGE.STARTED_AT.ge(since))
        .groupBy(EXCHANGE.SERVICE_ID, EXCHANGE.OPERATION)
        .fetch(
            row ->
                new Times(
                    new Called(row.value1(), row.value2()),
                    row.value3(),
                    row.value4(),
                    row.value5().longValue(),
                    row.value6()));
  }

  /** The last failure of each operation that had one. */
  Map<Called, Failed> failures(OffsetDateTime since) {
    Map<Called, Failed> failures = new HashMap<>();
    sql.select(
            EXCHANGE.SERVICE_ID,
            EXCHANGE.OPERATION,
            EXCHANGE.ID,
            EXCHANGE.STARTED_AT,
            EXCHANGE.STATUS,
            EXCHANGE.FAILURE)
        .distinctOn(EXCHANGE.SERVICE_ID, EXCHANGE.OPERATION)
        .from(EXCHANGE)
        .where(EXCHANGE.STARTED_AT.ge(since))
        .and(FAILED)
        .orderBy(EXCHANGE.SERVICE_ID, EXCHANGE.OPERATION, EXCHANGE.STARTED_AT.desc())
        .forEach(
            row ->
                failures.put(
                    new Called(row.value1(), row.value2()),
                    new Failed(
                        row.value3(),
                        row.value4(),
                        Optional.ofNullable(row.value5()),
                        Optional.ofNullable(row.value6())
                            .map(failure -> json.readValue(failure.data(), FindingView.class))
                            .map(FindingView::message))));
    return failures;
  }

  List<Hour> hours(OffsetDateTime since) {
    Field<OffsetDateTime> hour = DSL.trunc(EXCHANGE.STARTED_AT, DatePart.HOUR).as("hour");
    return sql.select(hour, DSL.count(), failed(), DSL.avg(EXCHANGE.TOOK_MS))
        .from(EXCHANGE)
        .where(EXCHANGE.STARTED_AT.ge(since))
        .groupBy(hour)
        .orderBy(hour)
        .fetch(row -> new Hour(row.value1(), row.value2(), row.value3(), row.value4().longValue()));
  }
}
