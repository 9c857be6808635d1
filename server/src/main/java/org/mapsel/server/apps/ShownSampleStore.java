package org.mapsel.server.apps;

import static org.mapsel.server.schema.Tables.SHOWN_SAMPLE;

import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.springframework.stereotype.Repository;

/** Which samples pages are shown with on the bench, where that is not what was answered last. */
@Repository
class ShownSampleStore {

  private final DSLContext sql;

  ShownSampleStore(DSLContext sql) {
    this.sql = sql;
  }

  /** The names of the samples that were chosen for the calls of a page. */
  Map<CallId, String> of(String app, PageId page) {
    return sql.selectFrom(SHOWN_SAMPLE)
        .where(SHOWN_SAMPLE.APP_ID.eq(app))
        .and(SHOWN_SAMPLE.PAGE.eq(page.text()))
        .fetchMap(row -> new CallId(row.getCall()), row -> row.getSample());
  }

  /** Chooses a sample by its name, or what was answered last. */
  void show(String app, PageId page, CallId call, Optional<String> sample) {
    if (sample.isPresent()) {
      sql.insertInto(SHOWN_SAMPLE)
          .set(SHOWN_SAMPLE.APP_ID, app)
          .set(SHOWN_SAMPLE.PAGE, page.text())
          .set(SHOWN_SAMPLE.CALL, call.text())
          .set(SHOWN_SAMPLE.SAMPLE, sample.get())
          .onConflict(SHOWN_SAMPLE.APP_ID, SHOWN_SAMPLE.PAGE, SHOWN_SAMPLE.CALL)
          .doUpdate()
          .set(SHOWN_SAMPLE.SAMPLE, sample.get())
          .execute();
    } else {
      sql.deleteFrom(SHOWN_SAMPLE)
          .where(SHOWN_SAMPLE.APP_ID.eq(app))
          .and(SHOWN_SAMPLE.PAGE.eq(page.text()))
          .and(SHOWN_SAMPLE.CALL.eq(call.text()))
          .execute();
    }
  }
}
