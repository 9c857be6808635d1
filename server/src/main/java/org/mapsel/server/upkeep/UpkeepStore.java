package org.mapsel.server.upkeep;

import static org.mapsel.server.schema.Tables.APP;
import static org.mapsel.server.schema.Tables.CHECK_RUN;
import static org.mapsel.server.schema.Tables.DOCUMENT;
import static org.mapsel.server.schema.Tables.DOCUMENT_CONTENT;
import static org.mapsel.server.schema.Tables.EDITION;
import static org.mapsel.server.schema.Tables.EXCHANGE;
import static org.mapsel.server.schema.Tables.REVISION;
import static org.mapsel.server.schema.Tables.RUN;
import static org.mapsel.server.schema.Tables.SAMPLE;
import static org.mapsel.server.schema.Tables.SETTING;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.mapsel.server.upkeep.UpkeepViews.HeldView;
import org.mapsel.server.upkeep.UpkeepViews.UpkeepSettings;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** How much the database holds, and the settings of how much it may. */
@Repository
class UpkeepStore {

  private static final String NAME = "upkeep";

  private final DSLContext sql;
  private final JsonMapper json;

  UpkeepStore(DSLContext sql, JsonMapper json) {
    this.sql = sql;
    this.json = json;
  }

  Optional<UpkeepSettings> settings() {
    return sql.select(SETTING.CONTENT)
        .from(SETTING)
        .where(SETTING.NAME.eq(NAME))
        .fetchOptional(row -> json.readValue(row.value1(), UpkeepSettings.class));
  }

  void put(UpkeepSettings settings) {
    String content = json.writeValueAsString(settings);
    sql.insertInto(SETTING)
        .set(SETTING.NAME, NAME)
        .set(SETTING.CONTENT, content)
        .onConflict(SETTING.NAME)
        .doUpdate()
        .set(SETTING.CONTENT, content)
        .execute();
  }

  /** What there is, in the words of the product. */
  List<HeldView> held() {
    return List.of(
        held("exchanges", EXCHANGE, EXCHANGE),
        held("samples", SAMPLE, SAMPLE),
        held("results of checks", CHECK_RUN, CHECK_RUN),
        held("editions of descriptions", EDITION, EDITION, DOCUMENT, DOCUMENT_CONTENT),
        held("apps, with all their changes", APP, APP, REVISION),
        held("runs of pages", RUN, RUN));
  }

  private HeldView held(String what, Table<?> counted, Table<?>... tables) {
    long bytes = 0;
    for (Table<?> table : tables) {
      bytes += one(DSL.field("pg_total_relation_size({0})", Long.class, table.getName()));
    }
    return new HeldView(what, sql.fetchCount(counted), bytes);
  }

  long bytes() {
    return one(DSL.field("pg_database_size(current_database())", Long.class));
  }

  private long one(Field<Long> field) {
    return sql.select(field).fetchSingle().value1();
  }
}
