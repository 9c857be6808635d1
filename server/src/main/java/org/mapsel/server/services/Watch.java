package org.mapsel.server.services;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.FindingText;
import org.mapsel.server.services.EditionViews.WatchView;
import org.mapsel.server.web.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Reads descriptions again when their time has come, and remembers what was found. */
@Component
class Watch {

  private static final Logger LOG = LoggerFactory.getLogger(Watch.class);

  private final WatchStore store;
  private final Intakes intakes;
  private final Workspace workspace;
  private final Clock clock;

  Watch(WatchStore store, Intakes intakes, Workspace workspace, Clock clock) {
    this.store = store;
    this.intakes = intakes;
    this.workspace = workspace;
    this.clock = clock;
  }

  List<WatchView> all() {
    return store.all().stream().map(this::view).toList();
  }

  private WatchView view(WatchStore.Kept kept) {
    boolean changed =
        kept.edition() != null
            && !workspace.newestEdition(kept.service()).equals(Optional.of(kept.edition()));
    return new WatchView(
        kept.service(),
        kept.everyMinutes(),
        kept.readAt(),
        changed ? kept.edition() : null,
        kept.problem());
  }

  void set(String service, int everyMinutes) {
    if (everyMinutes > 0 && !workspace.kept(service).source().startsWith("http")) {
      throw Problem.conflict("SERVER_SOURCE_GIVEN", "service", workspace.kept(service).name());
    }
    store.set(service, everyMinutes);
  }

  @Scheduled(fixedDelay = 60_000, initialDelay = 60_000)
  void look() {
    OffsetDateTime now = OffsetDateTime.now(clock);
    for (WatchStore.Kept kept : store.all()) {
      OffsetDateTime last = kept.readAt();
      if (last == null || !last.plusMinutes(kept.everyMinutes()).isAfter(now)) {
        read(kept.service(), now);
      }
    }
  }

  private void read(String service, OffsetDateTime now) {
    try {
      store.read(service, now, intakes.readAgain(service), null);
    } catch (Problem problem) {
      store.read(service, now, null, FindingText.message(problem.findings().getFirst()));
    } catch (RuntimeException e) {
      // One service that cannot be read keeps no other from being read.
      LOG.error("The description of {} could not be read", service, e);
      store.read(service, now, null, "It could not be read; the server's log says more.");
    }
  }
}
