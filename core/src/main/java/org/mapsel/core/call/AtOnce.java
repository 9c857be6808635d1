package org.mapsel.core.call;

import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Does several things at once. */
public final class AtOnce {

  private AtOnce() {}

  /**
   * Returns when all of it is done; a single thing is done by the thread that asks. What fails here
   * fails as it would have failed by itself, after everything else is done.
   */
  public static void run(List<Runnable> tasks) {
    if (tasks.size() == 1) {
      tasks.getFirst().run();
      return;
    }
    List<Future<?>> started;
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      started = tasks.stream().<Future<?>>map(threads::submit).toList();
    }
    started.forEach(AtOnce::refuseFailed);
  }

  private static void refuseFailed(Future<?> over) {
    if (over.state() == Future.State.FAILED) {
      throw over.exceptionNow() instanceof RuntimeException failure
          ? failure
          : new IllegalStateException(over.exceptionNow());
    }
  }
}
