package org.mapsel.server.runs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.UnaryOperator;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.page.run.PageState;
import org.mapsel.server.memory.LargeWork;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * The states of runs. One that was read is remembered a while: who scrolls through many rows asks
 * for the same one again and again.
 */
@Component
class RunStates {

  private static final long MOST = Runtime.getRuntime().maxMemory() / 4;
  private static final Duration WHILE = Duration.ofMinutes(5);

  /** So many times the memory of its text a state takes as values. */
  private static final int TIMES = 8;

  /** A run in the state that it had at a time. */
  private record Key(String run, OffsetDateTime at) {}

  /**
   * @param plan of the page that it was read for; a draft may have changed since
   */
  private record Read(PageState state, PagePlan plan, long bytes) {}

  private final RunStore store;
  private final LargeWork work;
  private final Cache<Key, Read> remembered =
      Caffeine.newBuilder()
          .maximumWeight(MOST)
          .weigher((Key key, Read read) -> (int) Math.min(read.bytes() * TIMES, Integer.MAX_VALUE))
          .expireAfterAccess(WHILE)
          .build();

  RunStates(RunStore store, LargeWork work) {
    this.store = store;
    this.work = work;
  }

  /** The state that a run was found in, or a newer one. */
  PageState of(RunStore.Kept kept, Running running) {
    return of(running, kept.at(), kept.bytes());
  }

  private PageState of(Running running, OffsetDateTime at, long bytes) {
    Key key = new Key(running.id(), at);
    Read read = remembered.get(key, none -> read(running, bytes));
    if (read.plan() != running.plan()) {
      read = read(running, bytes);
      remembered.put(key, read);
    }
    return read.state();
  }

  private Read read(Running running, long bytes) {
    PageState state =
        work.reading(
            bytes,
            () ->
                StateJson.read(store.state(running.id()).orElseThrow(Runs::over), running.reach()));
    return new Read(state, running.plan(), bytes);
  }

  /**
   * Lets nobody else change the run meanwhile.
   *
   * @return whether the run is there still
   */
  boolean change(Running running, UnaryOperator<PageState> change) {
    AtomicReference<JsonNode> after = new AtomicReference<>();
    Optional<RunStore.Changed> changed =
        store.change(
            running.id(),
            (at, bytes) -> {
              PageState before = of(running, at, bytes);
              remembered.invalidate(new Key(running.id(), at));
              after.set(StateJson.write(change.apply(before)));
              return after.get();
            });
    changed
        .filter(next -> next.bytes() < LargeWork.SMALL)
        .ifPresent(next -> remember(running, next, after.get()));
    return changed.isPresent();
  }

  /** As it will be found: with the types that its fields have by then. */
  private void remember(Running running, RunStore.Changed changed, JsonNode state) {
    remembered.put(
        new Key(running.id(), changed.at()),
        new Read(StateJson.read(state, running.reach()), running.plan(), changed.bytes()));
  }
}
