package org.mapsel.server.runs;

import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.mapsel.server.runs.PageCalls.Made;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The calls of a page that are out, whose answers are taken as they come. */
final class CallsOut {

  private static final Logger LOG = LoggerFactory.getLogger(CallsOut.class);

  /** Whoever sees something for less than this sees a flicker. */
  private static final long BLINK = TimeUnit.MILLISECONDS.toNanos(300);

  /** Where something was told already, what comes in less than this is told together. */
  private static final long BRIEF = TimeUnit.MILLISECONDS.toNanos(50);

  private final long began = System.nanoTime();
  private final BlockingQueue<Supplier<Made>> came = new LinkedBlockingQueue<>();
  private int out;

  /**
   * Begins to make calls.
   *
   * @param calls how many there are
   * @param make makes them, and tells of each that is over
   */
  void begin(int calls, Consumer<Consumer<Made>> make) {
    if (calls == 0) {
      return;
    }
    out += calls;
    Thread.startVirtualThread(
        () -> {
          try {
            make.accept(made -> came.add(() -> made));
          } catch (RuntimeException | Error e) {
            // Whoever waits fails as this did, and does not wait for ever.
            came.add(
                () -> {
                  throw e;
                });
          }
        });
  }

  /**
   * What comes back next; nothing if nothing is out any more. Fails as the call has failed.
   *
   * @param told is told if that takes so long that people should see how things stand
   */
  Optional<Made> next(Runnable told) {
    if (out == 0) {
      return Optional.empty();
    }
    try {
      long patience = Math.max(BRIEF, BLINK - (System.nanoTime() - began));
      Supplier<Made> next = came.poll(patience, TimeUnit.NANOSECONDS);
      if (next == null) {
        tell(told);
        next = came.take();
      }
      out--;
      return Optional.of(next.get());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("The answers of calls are no longer waited for.", e);
    }
  }

  private static void tell(Runnable told) {
    try {
      told.run();
    } catch (UncheckedIOException e) {
      LOG.debug("Nobody looks at the page any more", e);
    }
  }
}
