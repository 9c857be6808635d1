package org.mapsel.server;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.flywaydb.core.Flyway;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.mapsel.server.testing.Postgres;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;

/** Whether a database is one that this program may touch. */
class SchemaUpgradeTest {

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
