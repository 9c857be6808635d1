package org.mapsel.server.checks;

import java.time.Clock;
import java.time.OffsetDateTime;
import org.mapsel.server.samples.Replay;
import org.mapsel.server.web.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Runs checks by themselves, as often as people wish. */
@Component
class ScheduledChecks {

  private static final Logger LOG = LoggerFactory.getLogger(ScheduledChecks.class);

  private final CheckRunStore runs;
  private final Checks checks;
  private final Replay replay;
  private final Clock clock;

  ScheduledChecks(CheckRunStore runs, Checks checks, Replay replay, Clock clock) {
    this.replay = replay;
    this.runs = runs;
    this.checks = checks;
    this.clock = clock;
  }

  /** Runs those whose time has come; of a service that is answered for here nothing can be told. */
  @Scheduled(initialDelay = 30_000, fixedDelay = 20_000)
  void runDue() {
    OffsetDateTime now = OffsetDateTime.now(clock);
    for (CheckRunStore.Scheduled check : runs.scheduled()) {
      boolean due =
          check
              .last()
              .map(last -> !last.plusMinutes(check.everyMinutes()).isAfter(now))
              .orElse(true);
      if (due && !replay.isOn(check.key().service())) {
        run(check.key());
      }
    }
  }

  private void run(CheckRunStore.Key key) {
    try {
      checks.verify(key.service(), key.operation(), key.name());
    } catch (Problem gone) {
      // What it is about was taken away in between, or is not in the newest edition any more.
      LOG.warn("The check {} of {} could not be run", key.name(), key.operation(), gone);
    } catch (RuntimeException e) {
      // One check that cannot be run keeps no other from running.
      LOG.error("The check {} of {} could not be run", key.name(), key.operation(), e);
    }
  }
}
