package org.mapsel.server;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.flywaydb.core.api.MigrationState;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Brings the database up to this program, and leaves one that a newer program wrote alone. */
@Configuration
class SchemaUpgrade {

  @Bean
  FlywayMigrationStrategy upgrade() {
    return flyway -> {
      MigrationInfoService info = flyway.info();
      Optional<MigrationInfo> newer =
          Stream.of(info.applied())
              .filter(one -> one.getState() == MigrationState.FUTURE_SUCCESS)
              .max(Comparator.comparing(MigrationInfo::getVersion));
      if (newer.isPresent()) {
        throw new IllegalStateException(
            "The workspace was written by a newer Mapsel: its database is at version "
                + newer.get().getVersion()
                + ", which this program does not know. Start the newer program again, or restore a backup that this one made."
                + " Nothing was changed.");
      }
      flyway.migrate();
    };
  }
}
