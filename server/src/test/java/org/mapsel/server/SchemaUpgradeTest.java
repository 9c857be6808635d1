package org.mapsel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.mapsel.server.testing.Postgres;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;

/** Whether a database is one that this program may touch. */
class SchemaUpgradeTest {

  @Test
  void documentsOfOlderDatabasesAreKeptOnce() {
    FluentConfiguration flyway =
        Flyway.configure()
            .dataSource(
                Postgres.shared().newDatabase("older"), "mapsel", Postgres.shared().password())
            .locations("classpath:db/migration");
    flyway.target("15").load().migrate();
    DSLContext sql = DSL.using(flyway.getDataSource(), SQLDialect.POSTGRES);
    sql.execute("insert into edition values ('one'), ('two')");
    sql.execute(
        "insert into document values ('one', 0, 'a', 'types'), ('two', 0, 'b', 'types'),"
            + " ('two', 1, 'c', 'paths')");

    new SchemaUpgrade().upgrade().migrate(flyway.target("latest").load());

    assertThat(sql.fetchCount(DSL.table("document_content"))).isEqualTo(2);
    assertThat(
            sql.fetch(
                    "select edition_id, position, address, convert_from(content, 'UTF8')"
                        + " from document join document_content using (hash) order by 1, 2")
                .map(row -> List.of(row.intoArray()).toString()))
        .containsExactly("[one, 0, a, types]", "[two, 0, b, types]", "[two, 1, c, paths]");
  }

  @Test
  void aDatabaseThatANewerProgramWroteIsLeftAlone() {
    Flyway flyway =
        Flyway.configure()
            .dataSource(
                Postgres.shared().newDatabase("newer"), "mapsel", Postgres.shared().password())
            .locations("classpath:db/migration")
            .load();
    FlywayMigrationStrategy upgrade = new SchemaUpgrade().upgrade();
    upgrade.migrate(flyway);
    DSL.using(flyway.getConfiguration().getDataSource(), SQLDialect.POSTGRES)
        .execute(
            "insert into flyway_schema_history values"
                + " (999, '999', 'later', 'SQL', 'V999__later.sql', 1, 'x', now(), 1, true)");

    assertThatThrownBy(() -> upgrade.migrate(flyway))
        .hasMessageContaining("newer Mapsel")
        .hasMessageContaining("version 999");
  }
}
