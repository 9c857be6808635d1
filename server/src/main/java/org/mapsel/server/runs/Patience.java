package org.mapsel.server.runs;

import java.io.UncheckedIOException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Tells something if what is done meanwhile takes longer than a blink. */
final class Patience {

  private static final Logger LOG = LoggerFactory.getLogger(Patience.class);

  /** Whoever sees something for less than this sees a flicker. */
  private static final long BLINK = 300;

  private static final Executor LATER =
      CompletableFuture.delayedExecutor(BLINK, TimeUnit.MILLISECONDS, Thread::startVirtualThread);

  private boolean over;

  private Patience() {}

  /**
   * Does something.
   *
   * @param told is told meanwhile, by another thread, if it takes long; never after it is done
   */
  static <T> T during(Supplier<T> work, Runnable told) {
    Patience patience = new Patience();
    LATER.execute(() -> patience.tell(told));
    try {
      return work.get();
    } finally {
      patience.end();
    }
  }

  private synchronized void tell(Runnable told) {
    if (over) {
      return;
    }
    try {
      told.run();
    } catch (UncheckedIOException e) {
      LOG.debug("Nobody looks at the page any more", e);
    }
  }

  /** What is told now is told to its end first. */
  private synchronized void end() {
    over = true;
  }
}
