package org.mapsel.server.runs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
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
  private static final int MOST_RUNS = 10_000;
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

  /** What this server knows of the states that runs are in; another one may know better. */
  private final Cache<String, RunStore.Version> newest =
      Caffeine.newBuilder().maximumSize(MOST_RUNS).expireAfterAccess(WHILE).build();

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
   * Changes the state that a run is in, whatever others do to it at the same time.
   *
   * @param change may be made of several states, until one is still there when it is made
   * @return whether the run is there still
   */
  boolean change(Running running, UnaryOperator<PageState> change) {
    Optional<RunStore.Version> found =
        Optional.ofNullable(newest.getIfPresent(running.id()))
            .or(() -> store.version(running.id()));
    // As often as others were faster: each time one of them got on.
    while (found.isPresent()) {
      PageState before = of(running, found.get().at(), found.get().bytes());
      JsonNode after = StateJson.write(change.apply(before));
      Optional<RunStore.Version> changed = store.replace(running.id(), found.get(), after);
      remembered.invalidate(new Key(running.id(), found.get().at()));
      if (changed.isPresent()) {
        remember(running, changed.get(), after);
        return true;
      }
      found = store.version(running.id());
    }
    return false;
  }

  /** As it will be found: with the types that its fields have by then. */
  private void remember(Running running, RunStore.Version changed, JsonNode state) {
    newest.put(running.id(), changed);
    if (changed.bytes() < LargeWork.SMALL) {
      remembered.put(
          new Key(running.id(), changed.at()),
          new Read(StateJson.read(state, running.reach()), running.plan(), changed.bytes()));
    }
  }
}
