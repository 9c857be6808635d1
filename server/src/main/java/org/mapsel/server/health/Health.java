package org.mapsel.server.health;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.server.apps.Apps;
import org.mapsel.server.apps.StoredApp;
import org.mapsel.server.health.HealthStore.Called;
import org.mapsel.server.health.HealthViews.FailedCall;
import org.mapsel.server.health.HealthViews.HealthView;
import org.mapsel.server.health.HealthViews.HourLine;
import org.mapsel.server.health.HealthViews.OperationHealth;
import org.mapsel.server.health.HealthViews.PageUse;
import org.springframework.stereotype.Component;

/** How the services did in the last day: what failed and why, and what took long. */
@Component
class Health {

  private static final Duration LATELY = Duration.ofDays(1);

  private final HealthStore store;
  private final Apps apps;
  private final Clock clock;

  Health(HealthStore store, Apps apps, Clock clock) {
    this.store = store;
    this.apps = apps;
    this.clock = clock;
  }

  /** What failed most comes first, then what takes longest. */
  HealthView lately() {
    OffsetDateTime until = OffsetDateTime.now(clock);
    OffsetDateTime since = until.minus(LATELY);
    Map<Called, HealthStore.Failed> failures = store.failures(since);
    Map<Called, List<PageUse>> uses = uses();
    List<OperationHealth> operations =
        store.times(since).stream()
            .map(
                one ->
                    new OperationHealth(
                        one.called().service(),
                        one.called().operation(),
                        one.calls(),
                        one.failed(),
                        one.median(),
                        one.slowest(),
                        Optional.ofNullable(failures.get(one.called()))
                            .map(Health::view)
                            .orElse(null),
                        uses.getOrDefault(one.called(), List.of())))
            .sorted(
                Comparator.comparingInt(OperationHealth::failed)
                    .thenComparingLong(OperationHealth::medianMillis)
                    .reversed())
            .toList();
    List<HourLine> hours =
        store.hours(since).stream()
            .map(hour -> new HourLine(hour.from(), hour.calls(), hour.failed(), hour.mean()))
            .toList();
    return new HealthView(until, operations, hours);
  }

  private static FailedCall view(HealthStore.Failed failed) {
    return new FailedCall(
        failed.exchange(),
        failed.at(),
        failed.status().orElse(null),
        failed.failure().orElse(null));
  }

  /** Which pages call what. */
  private Map<Called, List<PageUse>> uses() {
    Map<Called, List<PageUse>> uses = new HashMap<>();
    for (StoredApp kept : apps.list()) {
      for (Page page : kept.app().pages()) {
        for (Call call : page.calls()) {
          PageUse use = new PageUse(kept.id(), kept.app().name(), page.id().text(), page.name());
          List<PageUse> known =
              uses.computeIfAbsent(
                  new Called(call.service(), call.operation().text()), none -> new ArrayList<>());
          if (!known.contains(use)) {
            known.add(use);
          }
        }
      }
    }
    return uses;
  }
}
