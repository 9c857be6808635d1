package org.mapsel.server.secrets;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mapsel.server.testing.Postgres;

/** Tokens that outlive the process they were given to, and nothing else. */
class KnownForAWhileTest {

  private static final String KEY = "token\nhttps://quay.example/tokens\ndesk\ns3cr3t";
  private static final Instant NOW = Instant.parse("2031-05-14T06:40:00Z");

  @TempDir private Path folder;
  private DSLContext sql;

  @BeforeEach
  void makeDatabase() {
    Flyway flyway =
        Flyway.configure()
            .dataSource(
                Postgres.shared().newDatabase("known" + System.nanoTime()),
                "mapsel",
                Postgres.shared().password())
            .locations("classpath:db/migration")
            .load();
    flyway.migrate();
    sql = DSL.using(flyway.getConfiguration().getDataSource(), SQLDialect.POSTGRES);
  }

  private KnownForAWhile at(Instant now) {
    return new KnownForAWhile(
        new KnownForAWhileStore(sql, Clock.fixed(now, ZoneOffset.UTC)),
        new Vault(folder.resolve("key")));
  }

  @Test
  void itIsKnownToOthersUntilItsTimeIsOver() {
    at(NOW).put(KEY, "tide-1", NOW.plusSeconds(60));
    at(NOW).put(KEY, "tide-2", NOW.plusSeconds(60));

    assertThat(at(NOW.plusSeconds(59)).find(KEY)).contains("tide-2");
    assertThat(at(NOW).find(KEY + "x")).isEmpty();
    assertThat(at(NOW.plusSeconds(60)).find(KEY)).isEmpty();
    at(NOW.plus(Duration.ofHours(1))).put("other", "tide-3", NOW.plus(Duration.ofHours(2)));
    assertThat(sql.fetchCount(DSL.table("known_for_a_while"))).as("the old one went").isOne();

    at(NOW).remove("other");
    assertThat(at(NOW).find("other")).isEmpty();
  }

  @Test
  void theDatabaseTellsNothingOfIt() {
    at(NOW).put(KEY, "tide-1", NOW.plusSeconds(60));

    assertThat(sql.fetch("select key, encode(content, 'escape') from known_for_a_while").format())
        .doesNotContain("tide-1", "s3cr3t", "quay.example");
  }

  @Test
  void withAnotherKeyFileNothingIsKnown() {
    at(NOW).put(KEY, "tide-1", NOW.plusSeconds(60));
    Vault other = new Vault(folder.resolve("other"));

    assertThat(
            new KnownForAWhile(
                    new KnownForAWhileStore(sql, Clock.fixed(NOW, ZoneOffset.UTC)), other)
                .find(KEY))
        .isEmpty();
  }
}
